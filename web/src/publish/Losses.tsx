import { message } from '@vennet/core/language';
import type { FormPreview } from '@vennet/core/wire';
import { ToLink } from './ToLink.js';

/** What would be different in a form. */
export function Losses({ form }: { form: FormPreview }) {
  return (
    <div className="mt-4">
      {form.losses.length === 0 ? (
        <p>
          {message(
            '{count, plural, =0 {There is no link in the book yet, so none can be lost.} one {The one link goes into this form as it is.} other {All # links go into this form as they are.}}',
            { count: form.links },
          )}
        </p>
      ) : (
        <>
          <p className="font-semibold">In this form, this will be different:</p>
          <LossList losses={form.losses} />
        </>
      )}
    </div>
  );
}

/** Each thing that is different with its reason, and the links that it is told of. */
export function LossList({ losses }: { losses: FormPreview['losses'] }) {
  return (
    <ul className="mt-1 list-disc space-y-1 pl-5">
      {losses.map((loss) => (
        <li key={loss.what}>
          {loss.count} {loss.what}. {loss.why}
          {loss.links.length > 0 && <ToldLinks links={loss.links} />}
        </li>
      ))}
    </ul>
  );
}

/** How many links are told one by one. */
const LISTED = 40;

/** The links that something is told of: each leads to its slip, where it can be repaired. */
function ToldLinks({ links }: { links: FormPreview['losses'][number]['links'] }) {
  return (
    <details className="mt-0.5">
      <summary className="cursor-pointer text-sm text-soft">
        {message('{count, plural, one {See the link} other {See the links}}', { count: links.length })}
      </summary>
      <ul className="mt-1 ml-4 space-y-0.5">
        {links.slice(0, LISTED).map(({ id, chapter, text }) => (
          <li key={id}>
            <ToLink id={id} chapter={chapter} words={text || '(no words)'} />
          </li>
        ))}
        {links.length > LISTED && <li className="text-soft">and {links.length - LISTED} more</li>}
      </ul>
    </details>
  );
}
