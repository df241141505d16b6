/** Signs of HTML that word processors and spreadsheets put on the clipboard. */
const MADE_ELSEWHERE = /mso-|xmlns:o=|sdfootnote|sdendnote|class="?Mso|data-sheets|<meta[^>]+generator/i;

/**
 * What a word processor or a spreadsheet puts on the clipboard, as the text has it: links, bookmarks, notes, lists and tables, without their
 * looks. `parse` makes a document of HTML; the browser's own runs nothing and fetches nothing.
 */
export function pastedHtml(html: string, parse: (html: string) => Document): string {
  if (!MADE_ELSEWHERE.test(html)) return html;
  const document = parse(html);
  const { body } = document;
  for (const gone of body.querySelectorAll('style, script, meta, link, xml')) gone.remove();
  for (const plain of body.querySelectorAll('o\\:p')) plain.replaceWith(...plain.childNodes);
  placeNotes(body);
  nameBookmarks(body);
  makeLists(body);
  for (const element of body.querySelectorAll('[style], [class], [lang], [align], [width], [height]'))
    for (const name of [
      'style',
      'class',
      'lang',
      'align',
      'width',
      'height',
      'border',
      'cellpadding',
      'cellspacing',
      'bgcolor',
      'valign',
    ])
      element.removeAttribute(name);
  return body.innerHTML;
}

/** Marks of notes, by the names that word processors give them in HTML, and the remarks that they lead to. */
const NOTE = /^#_?(?:(?:ftn|edn)\d+|sd(?:foot|end)note\d+sym)$/;

function placeNotes(body: HTMLElement): void {
  const taken = new Set<Element>();
  for (const mark of body.querySelectorAll<HTMLAnchorElement>('a[href]')) {
    const target = mark.getAttribute('href') ?? '';
    if (!NOTE.test(target)) continue;
    const id = target.slice(1);
    const anchor = body.querySelector(`[id="${id}"], a[name="${id}"]`);
    const remark =
      anchor &&
      (anchor.closest(
        'div[style*="mso-element"], div[id^="sdfootnote"], div[id^="sdendnote"], div[id^="ftn"], div[id^="edn"]',
      ) ??
        anchor.closest('p, div'));
    if (!remark || remark.contains(mark)) continue;
    taken.add(remark);
    const note = body.ownerDocument.createElement('span');
    note.setAttribute('data-note', id.replace(/^_/, ''));
    const paragraphs = remark.matches('p') ? [remark] : [...remark.querySelectorAll('p')];
    for (const paragraph of paragraphs.length > 0 ? paragraphs : [remark])
      note.append(remarkParagraph(paragraph, id));
    // The number stands in a raised element of its own.
    const raised = mark.closest('sup');
    (raised && raised.textContent === mark.textContent ? raised : mark).replaceWith(note);
  }
  for (const remark of taken) remark.remove();
  for (const line of body.querySelectorAll(
    'div[style*="mso-element:footnote-list"], div[style*="mso-element:endnote-list"]',
  ))
    if ((line.textContent ?? '').trim() === '') line.remove();
}

function remarkParagraph(paragraph: Element, id: string): Element {
  const made = paragraph.ownerDocument.createElement('span');
  made.setAttribute('data-note-paragraph', '');
  for (const child of [...paragraph.childNodes]) {
    const element = child.nodeType === 1 ? (child as Element) : null;
    // Its number, which leads back.
    const isNumber =
      element?.matches(`a[name="${id}"], a[id="${id}"], a[href*="ref"], a[href$="anc"]`) ||
      element?.querySelector(`a[name="${id}"], a[href$="anc"]`);
    if (!isNumber) made.append(child);
  }
  const first = made.firstChild;
  if (first?.nodeType === 3) first.textContent = (first.textContent ?? '').replace(/^[\s\u00a0]+/, '');
  return made;
}

/** Words with a name are a bookmark; names that programs give are none, unless a pasted link leads there. */
function nameBookmarks(body: HTMLElement): void {
  for (const named of [...body.querySelectorAll<HTMLAnchorElement>('a[name]')]) {
    const name = named.getAttribute('name') ?? '';
    const isOwn = !name.startsWith('_') || body.querySelector(`a[href="#${name}"]`) !== null;
    if (named.hasAttribute('href')) {
      named.removeAttribute('name');
      continue;
    }
    if (!isOwn || name === '' || (named.textContent ?? '') === '') named.replaceWith(...named.childNodes);
    else {
      const mark = body.ownerDocument.createElement('span');
      mark.id = name;
      mark.setAttribute('data-bookmark', name.startsWith('_') ? '' : name);
      mark.append(...named.childNodes);
      named.replaceWith(mark);
    }
  }
}

/** Paragraphs that are items of lists (`mso-list`), as lists. */
function makeLists(body: HTMLElement): void {
  let lists: { level: number; element: Element }[] = [];
  let last: Element | null = null;
  for (const paragraph of [...body.querySelectorAll<HTMLElement>('p[style*="mso-list"]')]) {
    const level = Number(/mso-list:[^;"]*level(\d+)/.exec(paragraph.getAttribute('style') ?? '')?.[1] ?? 0);
    if (level === 0) continue;
    const sign = paragraph.querySelector('[style*="mso-list:Ignore"], [style*="mso-list: Ignore"]');
    const isOrdered = /^[\s(]*(?:\d+|[a-z]|[ivxlc]+)[.)]/i.test(sign?.textContent ?? '');
    sign?.remove();
    if (last === null || previous(paragraph) !== last) lists = [];
    lists = lists.filter((open) => open.level <= level);
    if (lists.at(-1)?.level !== level) {
      const element = body.ownerDocument.createElement(isOrdered ? 'ol' : 'ul');
      const outer = lists.at(-1)?.element.lastElementChild;
      if (outer) outer.append(element);
      else paragraph.before(element);
      lists.push({ level, element });
    }
    const item = body.ownerDocument.createElement('li');
    lists.at(-1)?.element.append(item);
    last = lists[0]?.element ?? null;
    item.append(paragraph);
  }
}

const previous = (element: Element): Element | null => element.previousElementSibling;
