import { readChapter } from '@vennet/core/manuscript';
import { DOMSerializer } from 'prosemirror-model';
import { useEffect, useRef } from 'react';
import { api } from '../api/client.js';
import { useBook, type Conflict } from '../book/store.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { browserCopies } from '../book/local-copies.js';
import { openBook } from '../book/open-book.js';

/** Two texts of one chapter, side by side, and the choice which of them goes on. The other one is not thrown away. */
export function ConflictChoice({ chapter, conflict }: { chapter: string; conflict: Conflict }) {
  const { mine, theirs } = conflict;
  const settle = async (doc: object, lost: object) => {
    try {
      const saved = await api.saveChapter(chapter, { version: theirs.version, doc });
      openBook().texts.forget(chapter);
      await browserCopies.drop(chapter);
      useBook.getState().setConflict(chapter, null);
      await openBook().open(useBook.getState().book?.id ?? '');
      useNotices.getState().tell('This text goes on.', {
        action: { label: 'Take the other one after all', run: () => void swap(chapter, saved.version, lost) },
      });
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <main className="grow overflow-auto p-6">
      <h1 className="font-text text-2xl">This chapter was changed in two windows</h1>
      <p className="mt-1 mb-5 max-w-2xl text-soft">
        Both texts are kept until you choose. The words of the one that you don’t choose can be taken back
        right after.
      </p>
      <div className="grid gap-6 lg:grid-cols-2">
        <Side
          title="Written in this window"
          doc={mine}
          other={theirs.doc}
          use={() => void settle(mine, theirs.doc)}
        />
        <Side
          title="Saved from another window"
          doc={theirs.doc}
          other={mine}
          use={() => void settle(theirs.doc, mine)}
        />
      </div>
    </main>
  );
}

async function swap(chapter: string, version: number, doc: object): Promise<void> {
  try {
    await api.saveChapter(chapter, { version, doc });
    await openBook().open(useBook.getState().book?.id ?? '');
  } catch (error) {
    tellFault(error);
  }
}

const NO_CHAPTER = { id: '', title: '', matter: 'main' as const, leftOutOf: [] };

function Side({ title, doc, other, use }: { title: string; doc: object; other: object; use(): void }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const text = readChapter({ ...NO_CHAPTER, doc }).doc;
    const elsewhere = new Set(
      readChapter({ ...NO_CHAPTER, doc: other }).doc.children.map((node) => JSON.stringify(node.toJSON())),
    );
    const serializer = DOMSerializer.fromSchema(text.type.schema);
    const blocks = text.children.map((node) => {
      const element = document.createElement('div');
      element.append(serializer.serializeNode(node));
      if (!elsewhere.has(JSON.stringify(node.toJSON())))
        element.className = 'rounded bg-wash outline-4 outline-wash';
      return element;
    });
    box.current?.replaceChildren(...blocks);
  }, [doc, other]);
  return (
    <section className="flex flex-col rounded-md border border-line bg-sheet">
      <div className="flex items-center justify-between gap-4 border-b border-line px-5 py-3">
        <h2 className="font-semibold">{title}</h2>
        <button type="button" className="button" onClick={use}>
          Go on with this
        </button>
      </div>
      {/* The links of a text that is only shown lead nowhere. */}
      <div ref={box} inert className="book-text space-y-4 px-5 py-4 !text-base" />
    </section>
  );
}
