/** The short guide beside the keys: what can be done, and what the words mean that stand nowhere else. */
export const GUIDE: readonly (readonly [what: string, words: string])[] = [
  [
    'To make a link',
    'Select words and press Ctrl/Cmd+K, or “Link” above the text. One field takes an address, an email, a file of the Shelf, a place of this book, or another book. Enter makes it.',
  ],
  [
    'To lead to a spot without a name',
    'Type words of its sentence in “Leads to”, or the number of an item (“item 4”), or press “Point at it in the text” and then the spot, in any chapter. It becomes a place when the link is made. To name a spot beforehand, select its words and press Ctrl/Cmd+Alt+B.',
  ],
  [
    'To lead to a chapter that is still to be written',
    'Type its title in “Leads to” and choose “Start a chapter called …”. A finding tells of it until it has words.',
  ],
  [
    'To lead labels to files',
    '“Link labels to files” on the Shelf matches words such as “C1” or “Appendix 3” all over the text with the files whose names begin so.',
  ],
  [
    'Notes that are typed as numbers',
    '“Structure” above the text finds marks such as [1] with a list of remarks, and makes real notes of them.',
  ],
  [
    'To change or remove a link',
    'Put the caret into it: its slip opens in the margin. “Remove” leaves the words.',
  ],
  ['Slip', 'The small form of one link, note or picture, in the margin beside its line.'],
  [
    'Put in',
    'The menu above the text with what is no words: tables, rules, room to write, lists of contents, links back, a new chapter or a new page from here on.',
  ],
  [
    'Register',
    'The room that lists every destination and every link of the book, with what is to be done next.',
  ],
  ['Shelf', 'The room that keeps the files which the book shows or leads to.'],
  [
    'Verdict',
    'What a check says of a destination: sound, moved, guarded, doubtful, unreachable, broken or unchecked.',
  ],
  ['Sound', 'It can be opened, and is what it was.'],
  ['Moved', 'It is at another address now, and the old one still leads there.'],
  [
    'Guarded',
    'It is there, but asks readers for something first: a password, a payment, the right place on earth.',
  ],
  ['Doubtful', 'It opens, but something speaks against it: look for yourself.'],
  ['Unreachable', 'Nothing answered. It may be a fault of the moment; it is asked again.'],
  ['Broken', 'It is not there any more.'],
  [
    'Finding',
    'What is wrong with a link as readers meet it: must fix, should fix, or consider. Each says why and offers a repair.',
  ],
  [
    'To set aside',
    'To leave a finding or a verdict as it is, with a reason. It shows again when the link changes.',
  ],
  [
    'How a file travels',
    'Inside: within the e-book or the PDF itself. Beside: next to it, in the folder “files”. At a public address: it stays there, and the book leads to it.',
  ],
  ['As it came', 'A link as the file had it that was brought in, before anything was changed here.'],
  ['Heard as', 'The words by which a screen reader says the link.'],
  ['Proof', 'The made file is read back, and each of its links is matched with the book’s.'],
  [
    'To try a made file',
    '“Try it as a reader” in Publish shows the file itself on a phone, a tablet, an e-ink device or paper. Press its links; a tally says which are still to be tried.',
  ],
  [
    'To prove a file from elsewhere',
    'Drop a PDF, an e-book or a web page on Publish, or on a book in the Library: its links are listed, judged, and matched with the book’s.',
  ],
  ['Versions', 'The book as it was: press “Saved” on top. A version with a name stays for good.'],
  ['The book itself', 'Press its title on top: title, people, language, cover and what its files say.'],
  [
    'To find and replace',
    'Ctrl/Cmd+Alt+F, or “Find” left of the text. Replacing never breaks a link, a bookmark or a note.',
  ],
];
