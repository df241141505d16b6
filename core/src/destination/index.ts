export { faultInDestination, hrefOf } from './destination.js';
export type { Destination, DestinationKind, MailDestination } from './destination.js';
export { formatMailto, isMailAddress, parseMailto } from './mailto.js';
export type { MailtoReading } from './mailto.js';
export { recognise } from './recognise.js';
export type { Recognition, Refusal } from './recognise.js';
export { trackingParameters, withoutTracking } from './tracking.js';
export { wordsFromAddress } from './words-from-address.js';
export { parseWebAddress } from './web-address.js';
