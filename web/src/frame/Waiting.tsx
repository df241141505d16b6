/** What a room shows while its book is on the way, or when it can't be had. */
export function Waiting({ fault, retry }: { fault: string | null; retry(): void }) {
  return (
    <main className="grid grow place-items-center p-8" aria-busy={fault === null}>
      {fault === null ? (
        <p className="text-soft" role="status">
          Opening the book
        </p>
      ) : (
        <div className="max-w-md text-center" role="alert">
          <p className="mb-4 text-lg">{fault}</p>
          <button type="button" className="button" onClick={retry}>
            Try again
          </button>
        </div>
      )}
    </main>
  );
}
