/** Something that was typed by hand and can be made real. */
export interface Piece {
  key: string;
  before: string;
  words: string;
  after: string;
  /** Where it stands, and why it was found. */
  about: string;
  becomes: string;
  sureness: string;
}

/** Pieces that were typed by hand, each with a tick. */
export function PieceList({
  label,
  pieces,
  taken,
  turn,
}: {
  label: string;
  pieces: readonly Piece[];
  /** The keys of those that are ticked. */
  taken: ReadonlySet<string>;
  turn(key: string): void;
}) {
  return (
    <ul
      aria-label={label}
      className="max-h-56 divide-y divide-line overflow-y-auto border-y border-line text-sm"
    >
      {pieces.map(({ key, before, words, after, about, becomes, sureness }) => (
        <li key={key} className="py-1.5">
          <label className="flex items-start gap-2">
            <input
              type="checkbox"
              className="mt-1 shrink-0 accent-amber"
              checked={taken.has(key)}
              onChange={() => turn(key)}
            />
            <span className="min-w-0 grow">
              <span className="font-text break-words">
                {before}
                <mark className="rounded-sm bg-wash px-0.5 text-ink">{shortened(words)}</mark>
                {after}
              </span>
              <span className="block text-xs text-soft">{about}</span>
            </span>
            <span className="shrink-0 text-right text-xs">
              {becomes}
              <span className="block text-soft">{sureness}</span>
            </span>
          </label>
        </li>
      ))}
    </ul>
  );
}

const shortened = (words: string): string => (words.length > 90 ? `${words.slice(0, 90).trimEnd()}…` : words);
