/** Drawings that try to run or to fetch something, each in another way; `f.example` is who would be asked. */
const NS = 'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"';
const svg = (inner: string, attributes = '') =>
  `<svg ${NS} width="90" height="90" ${attributes}>${inner}<rect id="r" width="9" height="9"/></svg>`;
const XHTML = 'http://www.w3.org/1999/xhtml';

export const HOSTILE_DRAWINGS: readonly (readonly [string, string])[] = [
  ['a script', svg('<script>alert(1)</script>')],
  ['a script in capitals', svg('<SCRIPT>alert(1)</SCRIPT>')],
  [
    'a script of a prefix',
    `<s:svg xmlns:s="http://www.w3.org/2000/svg" width="9" height="9"><s:script>alert(1)</s:script></s:svg>`,
  ],
  [
    'a script of a prefix with a hyphen',
    `<a-b:svg xmlns:a-b="http://www.w3.org/2000/svg" width="9" height="9"><a-b:script>alert(1)</a-b:script></a-b:svg>`,
  ],
  [
    'a script of a prefix with a dot',
    svg('<a.b:script xmlns:a.b="http://www.w3.org/2000/svg">alert(1)</a.b:script>'),
  ],
  ['a script of HTML', svg(`<script xmlns="${XHTML}">alert(1)</script>`)],
  ['a script of HTML by a prefix', svg(`<h-1:script xmlns:h-1="${XHTML}">alert(1)</h-1:script>`)],
  [
    'a namespace that is spelled with references',
    svg(`<x:script xmlns:x="http://www.w3.org/2000/&#115;vg">alert(1)</x:script>`),
  ],
  [
    'a script from elsewhere',
    svg('<script href="https://f.example/a.js"/><script xlink:href="https://f.example/a.js"/>'),
  ],
  ['a script in a CDATA section', svg('<script><![CDATA[alert(1)]]></script>')],
  [
    'a script that closes another element',
    svg('<style><![CDATA[</style><script>alert(1)</script>]]></style>'),
  ],
  ['a script in a remark that is none', svg('<!--><script>alert(1)</script>-->')],
  ['a handler', svg('', 'onload="alert(1)"')],
  ['a handler in capitals', svg('', 'ONLOAD="alert(1)"')],
  ['a handler with a prefix', svg(`<g h:onclick="alert(1)" xmlns:h="${XHTML}"/>`)],
  ['a handler after a line', svg('<g\nonmouseover\n=\n"alert(1)"/>')],
  ['a handler of an animation', svg('<animate onbegin="alert(1)" attributeName="x" dur="1s"/>')],
  [
    'a listener',
    svg(
      '<handler type="text/javascript" xmlns:ev="http://www.w3.org/2001/xml-events" ev:event="load">alert(1)</handler>',
    ),
  ],
  ['an address that runs', svg('<a href="javascript:alert(1)"><rect width="9" height="9"/></a>')],
  [
    'an address that runs, with a line',
    svg('<a xlink:href="java&#10;script:alert(1)"><rect width="9" height="9"/></a>'),
  ],
  [
    'an address that runs, with a tab',
    svg('<a xlink:href=" &#9;java&#x09;script:alert(1)"><rect width="9" height="9"/></a>'),
  ],
  [
    'an address that an animation makes',
    svg('<a href="#r"><set attributeName="href" to="javascript:alert(1)"/><rect width="9" height="9"/></a>'),
  ],
  [
    'an address that an animation makes in steps',
    svg(
      '<a><animate attributeName="xlink:href" values="javascript:alert(1)" dur="1s"/><rect width="9" height="9"/></a>',
    ),
  ],
  [
    'a link of another kind',
    svg(`<l xlink:type="simple" xlink:actuate="onLoad" xlink:href="javascript:alert(1)" xmlns="u:x"/>`),
  ],
  [
    'a link of mathematics',
    svg(
      '<math xmlns="http://www.w3.org/1998/Math/MathML" xlink:href="javascript:alert(1)"><mi>x</mi></math>',
    ),
  ],
  [
    'foreign content',
    svg(
      `<foreignObject width="9" height="9"><body xmlns="${XHTML}"><img src="x" onerror="alert(1)"/></body></foreignObject>`,
    ),
  ],
  ['a frame', svg(`<iframe xmlns="${XHTML}" src="https://f.example/"/>`)],
  [
    'a frame of its own namespace',
    svg(
      '<iframe src="https://f.example/"/><embed src="https://f.example/"/><object data="https://f.example/"/>',
    ),
  ],
  ['a picture from elsewhere', svg('<image href="https://f.example/p.png" width="9" height="9"/>')],
  ['a picture from the same host', svg('<image xlink:href="/p.png" width="9" height="9"/>')],
  [
    'a picture that is a drawing',
    svg(
      `<image width="9" height="9" href="data:image/svg+xml;base64,${btoa(svg('<script>alert(1)</script>'))}"/>`,
    ),
  ],
  [
    'a part of another drawing',
    svg('<use href="https://f.example/a.svg#x"/><use href="data:image/svg+xml,x#x"/>'),
  ],
  ['a filter with a picture', svg('<filter id="f"><feImage href="https://f.example/p.png"/></filter>')],
  [
    'a colour from elsewhere',
    svg('<rect fill="url(https://f.example/a.svg#g)"/><rect fill="url(&quot;https://f.example/#g&quot;)"/>'),
  ],
  [
    'a style from elsewhere',
    svg(
      '<rect style="fill:url(https://f.example/a)"/><rect style="background:image-set(&quot;https://f.example/b&quot; 1x)"/>',
    ),
  ],
  [
    'a style that is escaped',
    svg(
      '<rect style="fill:u\\72l(https://f.example/a)"/><rect style="f\\69ll:\\75rl(https://f.example/a)"/>',
    ),
  ],
  [
    'a style with a remark in it',
    svg('<rect style="fill:u/**/rl(https://f.example/a);fill:url(/**/https://f.example/a)"/>'),
  ],
  [
    'an import',
    svg('<style>@import url(https://f.example/a.css); @import "https://f.example/b.css";</style>'),
  ],
  [
    'an import that is escaped',
    svg('<style>@\\69mport "https://f.example/a.css"; @imp\\6frt url(https://f.example/b)</style>'),
  ],
  [
    'an import behind another rule',
    svg('<style>@charset "utf-8";@layer a;@import "https://f.example/a.css";rect{fill:red}</style>'),
  ],
  [
    'a font from elsewhere',
    svg(
      '<style>@font-face{font-family:x;src:url(https://f.example/a.woff)} text{font-family:x}</style><text>x</text>',
    ),
  ],
  [
    'a rule of conditions',
    svg(
      '<style>@media all{rect{fill:url(https://f.example/a)}} @supports (x:y){rect{fill:url(https://f.example/b)}}</style>',
    ),
  ],
  ['a variable', svg('<style>rect{--x:url(https://f.example/a);fill:var(--x)}</style>')],
  [
    'a style sheet by an instruction',
    `<?xml version="1.0"?><?xml-stylesheet href="https://f.example/a.css"?>${svg('')}`,
  ],
  [
    'a transformation by an instruction',
    `<?xml version="1.0"?><?xml-stylesheet type="text/xsl" href="#x"?>${svg('<x:stylesheet id="x" version="1.0" xmlns:x="http://www.w3.org/1999/XSL/Transform"/>')}`,
  ],
  [
    'an entity from elsewhere',
    `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY x SYSTEM "https://f.example/x">]>${svg('<text>&x;</text>')}`,
  ],
  [
    'an entity that is a script',
    `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY x "<script>alert(1)</script>">]>${svg('<g>&x;</g>')}`,
  ],
  [
    'an attribute by the declaration',
    `<?xml version="1.0"?><!DOCTYPE svg [<!ATTLIST svg onload CDATA "alert(1)">]>${svg('')}`,
  ],
  [
    'what is not well-formed',
    '<svg xmlns="http://www.w3.org/2000/svg" width=9 height=9><g onload=alert(1)><script>alert(1)<rect',
  ],
  ['a base', svg(`<base xmlns="${XHTML}" href="https://f.example/"/><use href="a.svg#r"/>`)],
  ['a video', svg(`<video xmlns="${XHTML}" src="https://f.example/v"/><audio href="https://f.example/a"/>`)],
  [
    'a cursor',
    svg('<rect style="cursor:url(https://f.example/c),auto"/><cursor href="https://f.example/c"/>'),
  ],
];
