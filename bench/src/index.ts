import { benchAuditing } from './auditing.js';
import { benchBringingIn } from './bringing-in.js';
import { benchChecking } from './checking/checking.js';
import { benchMentions } from './mentions.js';
import { benchPages } from './pages.js';
import { benchPublishing } from './publishing.js';
import { benchRegister } from './register.js';
import { benchServing } from './serving.js';
import { benchTyping } from './typing/typing.js';

await benchChecking();
await benchBringingIn();
await benchPages();
await benchPublishing();
await benchAuditing();
await benchMentions();
await benchRegister();
await benchServing();
await benchTyping();
