import { message } from '@vennet/core/language';
import type { ChangedLink, PrintedPart, Proof, ProofPart } from '@vennet/core/readback';
import { ToLink } from './ToLink.js';

export const CHANGES: Record<ChangedLink['change'], string> = {
  address: 'leads to another address',
  words: 'has other words',
  target: 'does not land at its place',
  place: 'stands elsewhere',
  note: 'has not its hover note',
};

/** The proof of a made file: how many links it should have, how many are there, and which are not as in the book. */
export function ProofView({ proof }: { proof: Proof }) {
  const whole =
    proof.lost.length + proof.changed.length + proof.cutOff.length + (proof.printed?.lost.length ?? 0) === 0;
  return (
    <div className="mt-4" data-testid="proof">
      <h3 className="mb-2 font-semibold">Proof</h3>
      <dl className="grid grid-cols-4 divide-x divide-line border-y border-line py-2 text-center">
        <Figure words="Expected" count={proof.expected} />
        <Figure words="Found" count={proof.found} colour="var(--sound)" />
        <Figure
          words="Lost"
          count={proof.lost.length}
          colour={proof.lost.length > 0 ? 'var(--broken)' : undefined}
        />
        <Figure
          words="Changed"
          count={proof.changed.length}
          colour={proof.changed.length > 0 ? 'var(--moved)' : undefined}
        />
      </dl>
      {whole && (
        <p className="mt-2">
          Every link of the book is in this file, with its words and its address. Those inside the book land
          where the words of their place are.
        </p>
      )}
      <Computed part={proof.computed} />
      {proof.printed && <Printed part={proof.printed} />}
      {proof.lost.length > 0 && (
        <List title="Lost">
          {proof.lost.map((link) => (
            <li key={link.id}>
              <ToLink id={link.id} chapter={link.chapter} words={link.text || '(no words)'} />{' '}
              <span className="break-all text-soft">{link.href}</span>
            </li>
          ))}
        </List>
      )}
      {proof.cutOff.length > 0 && (
        <List
          title={message(
            '{count, plural, one {One line runs} other {# lines run}} off the page, so words are lost',
            {
              count: proof.cutOff.length,
            },
          )}
        >
          {proof.cutOff.map(({ text, where }, index) => (
            <li key={index}>
              “{text}” <span className="text-soft">({where})</span>
            </li>
          ))}
        </List>
      )}
      {proof.changed.length > 0 && (
        <List title="Changed">
          {proof.changed.map((link) => (
            <li key={link.id}>
              <ToLink id={link.id} chapter={link.chapter} words={link.text || '(no words)'} />{' '}
              {CHANGES[link.change]}:{' '}
              <span className="break-all text-soft">
                {link.change === 'words' ? link.foundText : link.foundHref}
              </span>{' '}
              ({link.where})
            </li>
          ))}
        </List>
      )}
    </div>
  );
}

/** The links that Vennet makes itself: of notes, lists and return links. */
function Computed({ part: { expected, found, lost, changed } }: { part: ProofPart }) {
  if (expected === 0) return null;
  const wrong = [...lost, ...changed];
  return (
    <div className="mt-2" data-testid="computed-proof">
      <p>
        {found} of {expected} computed links (marks and ways back of notes, lists, return links, sources) land
        at their exact places.
      </p>
      {wrong.length > 0 && (
        <List title="Not at their places">
          {wrong.map((link, index) => (
            <li key={`${link.id} ${index}`}>
              {link.text || '(no words)'} <span className="break-all text-soft">{link.href}</span>
            </li>
          ))}
        </List>
      )}
    </div>
  );
}

/** Addresses that stand on paper. */
function Printed({ part: { expected, found, lost } }: { part: PrintedPart }) {
  return (
    <div className="mt-2" data-testid="printed-proof">
      <p>
        {found} of {expected} addresses are printed in full, with the numbers of their links.
      </p>
      {lost.length > 0 && (
        <List title="Not printed">
          {lost.map((link) => (
            <li key={link.id}>
              <ToLink id={link.id} chapter={link.chapter} words={link.text || '(no words)'} />{' '}
              <span className="break-all text-soft">{link.href}</span>
            </li>
          ))}
        </List>
      )}
    </div>
  );
}

function Figure({ words, count, colour }: { words: string; count: number; colour?: string }) {
  return (
    <div className="flex flex-col-reverse">
      <dt className="text-sm text-soft">{words}</dt>
      <dd className="text-2xl font-semibold tabular-nums" style={{ color: colour }}>
        {count}
      </dd>
    </div>
  );
}

function List({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mt-3">
      <h3 className="font-semibold">{title}</h3>
      <ul className="mt-1 max-h-60 list-disc space-y-1 overflow-auto pl-5">{children}</ul>
    </section>
  );
}
