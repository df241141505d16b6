import { leadTo, type Rule } from '../finding.js';

/** A name and a password that are published with the book. RFC 9110, 4.2.4: they must not stand in an address. */
export const passwordInAddress: Rule = {
  id: 'password-in-address',
  title: 'Names and passwords in addresses',
  severity: 'must-fix',
  criterion: 'RFC 9110, 4.2.4',
  looksAt: ({ kind, href }) => kind === 'web' && href.includes('@'),
  find({ destination }) {
    if (destination.kind !== 'web') return null;
    const url = new URL(destination.href);
    if (url.username === '' && url.password === '') return null;
    const what = url.password === '' ? 'a name' : 'a name and a password';
    [url.username, url.password] = ['', ''];
    return {
      message: `This address holds ${what}, and every reader gets them with the book.`,
      repairs: [leadTo(url.href, 'Take them out')],
    };
  },
};
