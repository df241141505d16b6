import { FLOW_USES, type FlowChoices, type FlowFormat } from '@vennet/core/publish';
import { FLOWING } from '@vennet/core/wire';
import { Tick } from '../parts/Tick.js';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { useBook } from '../book/store.js';
import { CompanionsTick, Group, Select, SourcesTick } from './ChoiceParts.js';
import { FlowPreview } from './FlowPreview.js';
import { useKept } from './use-kept.js';
import { usePdfSets } from './use-pdf-sets.js';

/** How a form without pages of its own is made: its choices, and where its look is chosen a chapter of it. */
export function FlowSettings({ format }: { format: FlowFormat }) {
  const book = useBook((store) => store.book?.id ?? '');
  const { value, now, put } = useKept(queries.formChoices(book), (next) => api.keepFormChoices(book, next));
  if (!value) return null;
  const choices = value[format];
  const change = (more: Partial<FlowChoices>) => {
    const last = now() ?? value;
    put({ ...last, [format]: { ...last[format], ...more } });
  };
  const shown = FLOWING.find((one) => one === format);
  return (
    <section aria-labelledby="how-made" className="mt-7 border-t border-line pt-5">
      <h3 id="how-made" className="font-text text-xl">
        How it is made
      </h3>
      <div className="mt-1 grid gap-x-8 gap-y-6 xl:grid-cols-[minmax(0,1fr)_20rem]">
        <Fields format={format} choices={choices} change={change} />
        {shown && (
          <div className="xl:sticky xl:top-4 xl:self-start">
            <FlowPreview format={shown} choices={choices} />
          </div>
        )}
      </div>
    </section>
  );
}

interface FieldsProps {
  format: FlowFormat;
  choices: FlowChoices;
  change(more: Partial<FlowChoices>): void;
}

function Fields({ format, choices, change }: FieldsProps) {
  const has = (name: keyof FlowChoices) => FLOW_USES[format].includes(name);
  return (
    <div>
      {has('split') && (
        <Group legend="Pages">
          <Select
            label="The book is"
            value={choices.split}
            options={[
              ['one', 'One web page'],
              ['chapters', 'A web page for each chapter'],
            ]}
            pick={(split) => change({ split })}
          />
          {choices.split === 'chapters' && (
            <p className="basis-full text-sm text-soft">
              You get an archive of all its pages, with their pictures and files. Each page has ways to the
              one before, to the next and to the contents.
            </p>
          )}
        </Group>
      )}
      {has('face') && (
        <Group legend="Text">
          <Select
            label="Face"
            value={choices.face}
            options={[
              ['reader', 'As the reader has it'],
              ['serif', 'Serif'],
              ['sans', 'Sans'],
            ]}
            pick={(face) => change({ face })}
          />
          <Select
            label="Paragraphs"
            value={choices.paragraphs}
            options={[
              ['spaced', 'With space between them'],
              ['indented', 'With their first lines moved in'],
            ]}
            pick={(paragraphs) => change({ paragraphs })}
          />
          <Select
            label="Lines end"
            value={choices.edge}
            options={[
              ['ragged', 'Where their words do'],
              ['justified', 'All at the margin'],
            ]}
            pick={(edge) => change({ edge })}
          />
          <div className="basis-full">
            <Tick on={choices.hyphens} turn={() => change({ hyphens: !choices.hyphens })}>
              Words are divided at the ends of lines
            </Tick>
          </div>
        </Group>
      )}
      {has('pageSet') && <PageSet choices={choices} change={change} />}
      <Group legend="Links">
        <div className="basis-full">
          <SourcesTick on={choices.sources} turn={() => change({ sources: !choices.sources })} />
          {has('companions') && choices.split === 'one' && (
            <CompanionsTick
              on={choices.companions}
              turn={() => change({ companions: !choices.companions })}
            />
          )}
          {has('windows') && (
            <Tick
              on={choices.windows === 'marked'}
              turn={() => change({ windows: choices.windows === 'marked' ? 'told' : 'marked' })}
            >
              Links that open a window bear a sign
            </Tick>
          )}
        </div>
      </Group>
    </div>
  );
}

/** Which pages the e-book lists, so that who reads it finds the page that another cites. */
function PageSet({ choices, change }: Omit<FieldsProps, 'format'>) {
  const { sets } = usePdfSets();
  return (
    <Group legend="Pages">
      <Select
        label="Page numbers of a PDF"
        value={choices.pageSet}
        options={[['', 'None'], ...sets.map(({ id, name }): [string, string] => [id, name])]}
        pick={(pageSet) => change({ pageSet })}
      />
      <p className="basis-full text-sm text-soft">
        With them, a reading program goes to the page that somebody cites from the printed book.
      </p>
    </Group>
  );
}
