import { faultInPdfChoices, PAGES, PDF_BOUNDS, pageSize, type PdfChoices } from '@vennet/core/publish';
import { Labelled } from '../parts/Labelled.js';
import { Tick } from '../parts/Tick.js';
import { Group, Select, SourcesTick, CompanionsTick } from './ChoiceParts.js';
import { CodesFor } from './CodesFor.js';
import { PagePreview } from './PagePreview.js';
import { PdfSetBar } from './PdfSetBar.js';
import { usePdfSets } from './use-pdf-sets.js';

/** What the sizes of pages are called. */
export const PAGE_WORDS: Record<PdfChoices['page'], string> = {
  a4: 'A4',
  a5: 'A5',
  letter: 'Letter',
  '6x9': '6 × 9 inches',
  '5.5x8.5': '5.5 × 8.5 inches',
  'eink-6': 'E-ink, 6 inches',
  'eink-7.8': 'E-ink, 7.8 inches',
  'eink-10.3': 'E-ink, 10.3 inches',
  own: 'My own size',
};

/** How the pages of a PDF are set: choices at the left, and a page of them at the right. */
export function PdfSettings() {
  const sets = usePdfSets();
  if (!sets.choices) return null;
  const { choices, change } = sets;
  const fault = faultInPdfChoices(choices);
  return (
    <section aria-labelledby="pages-set" className="mt-7 border-t border-line pt-5">
      <h3 id="pages-set" className="font-text text-xl">
        How its pages are set
      </h3>
      <div className="mt-3 grid gap-x-8 gap-y-6 xl:grid-cols-[minmax(0,1fr)_20rem]">
        <div>
          <PdfSetBar sets={sets} />
          <Fields choices={choices} change={change} />
        </div>
        <div className="xl:sticky xl:top-4 xl:self-start">
          {fault ? (
            <p role="alert" className="border-l-4 border-moved py-1 pl-3">
              {fault}
            </p>
          ) : (
            <PagePreview choices={choices} />
          )}
        </div>
      </div>
    </section>
  );
}

interface FieldsProps {
  choices: PdfChoices;
  change(more: Partial<PdfChoices>): void;
}

function Fields({ choices, change }: FieldsProps) {
  const { width, height } = pageSize(choices);
  const isInk = choices.page.startsWith('eink');
  return (
    <>
      <Group legend="Page">
        <Select
          label="Size"
          value={choices.page}
          options={PAGES.map((page) => [page, PAGE_WORDS[page]])}
          // A page of one's own begins as large as the one before.
          pick={(page) => change(page === 'own' ? { page, width, height } : { page, ...inkMargins(page) })}
        />
        {choices.page === 'own' ? (
          <>
            <Measure label="Wide, mm" name="width" choices={choices} change={change} />
            <Measure label="High, mm" name="height" choices={choices} change={change} />
          </>
        ) : (
          <p className="self-end pb-1.5 text-sm text-soft">
            {width} × {height} mm
          </p>
        )}
        {isInk && (
          <p className="basis-full text-sm text-soft">
            Links work on such a device as long as it opens the file to be read. Where the file serves as a
            ground to write on, most devices keep no links: print the addresses, too.
          </p>
        )}
      </Group>
      <Group legend="Margins, mm">
        <Measure label="Inner" name="inner" choices={choices} change={change} />
        <Measure label="Outer" name="outer" choices={choices} change={change} />
        <Measure label="Top" name="top" choices={choices} change={change} />
        <Measure label="Bottom" name="bottom" choices={choices} change={change} />
      </Group>
      <Group legend="Type">
        <Select
          label="Face"
          value={choices.face}
          options={[
            ['serif', 'Serif'],
            ['sans', 'Sans'],
          ]}
          pick={(face) => change({ face })}
        />
        <Measure label="Size, pt" name="size" step={0.5} choices={choices} change={change} />
        <Measure label="Line height" name="lineHeight" step={0.05} choices={choices} change={change} />
        <Select
          label="Lines end"
          value={choices.edge}
          options={[
            ['justified', 'All at the margin'],
            ['ragged', 'Where their words do'],
          ]}
          pick={(edge) => change({ edge })}
        />
        <Select
          label="Printed in"
          value={choices.ink}
          options={[
            ['colour', 'Colour'],
            ['grey', 'Grey'],
          ]}
          pick={(ink) => change({ ink })}
        />
        <div className="basis-full">
          <Tick on={choices.hyphens} turn={() => change({ hyphens: !choices.hyphens })}>
            Words are divided at the ends of lines
          </Tick>
          <Tick on={!choices.widows} turn={() => change({ widows: !choices.widows })}>
            No first or last line of a paragraph stands alone on a page
          </Tick>
        </div>
      </Group>
      <Group legend="Around the text">
        <Select
          label="Above each page"
          value={choices.head}
          options={[
            ['none', 'Nothing'],
            ['title', 'The title of the book'],
            ['chapter', 'The title of the chapter'],
          ]}
          pick={(head) => change({ head })}
        />
        <Select
          label="Page numbers"
          value={choices.numbers}
          options={[
            ['foot', 'Below'],
            ['head', 'Above'],
            ['none', 'None'],
          ]}
          pick={(numbers) => change({ numbers })}
        />
        <Select
          label="Pages before the text"
          value={choices.front}
          options={[
            ['none', 'Without numbers'],
            ['roman', 'i, ii, iii'],
          ]}
          pick={(front) => change({ front })}
        />
        <Select
          label="Chapters begin"
          value={choices.chapters}
          options={[
            ['any', 'On the next page'],
            ['right', 'On a right-hand page'],
          ]}
          pick={(chapters) => change({ chapters })}
        />
        <div className="basis-full">
          <Tick on={choices.back} turn={() => change({ back: !choices.back })}>
            A way back to the contents at the foot of each page
          </Tick>
        </div>
      </Group>
      <Group legend="Links on paper">
        <Select
          label="Addresses are printed"
          value={choices.addresses}
          options={[
            ['none', 'Not at all'],
            ['foot', 'At the foot of the page'],
            ['list', 'In a list at the end'],
            ['qr', 'As QR codes in the margin'],
          ]}
          pick={(addresses) => change({ addresses })}
        />
        {choices.addresses === 'qr' && (
          <CodesFor codesFor={choices.codesFor} change={(codesFor) => change({ codesFor })} />
        )}
        <div className="basis-full">
          <SourcesTick on={choices.sources} turn={() => change({ sources: !choices.sources })} />
          <CompanionsTick on={choices.companions} turn={() => change({ companions: !choices.companions })} />
        </div>
      </Group>
    </>
  );
}

/** The margins of usual pages would leave little of a small screen. */
const inkMargins = (page: PdfChoices['page']): Partial<PdfChoices> =>
  page === 'eink-6' || page === 'eink-7.8' ? { inner: 8, outer: 8, top: 10, bottom: 12 } : {};

function Measure({
  label,
  name,
  step = 1,
  choices,
  change,
}: FieldsProps & { label: string; name: keyof typeof PDF_BOUNDS; step?: number }) {
  const [least, most] = PDF_BOUNDS[name];
  return (
    <Labelled label={label}>
      {(id) => (
        <input
          id={id}
          type="number"
          className="field !w-20 tabular-nums"
          min={least}
          max={most}
          step={step}
          // What is typed may be none of the numbers that are allowed until it is typed to its end.
          key={`${choices.page} ${name}`}
          defaultValue={choices[name]}
          onChange={({ target }) => {
            const { valueAsNumber: number } = target;
            if (number >= least && number <= most) change({ [name]: number });
          }}
        />
      )}
    </Labelled>
  );
}
