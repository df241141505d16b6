// The one template of every PDF that Vennet makes. It reads the book as JSON and lays it out; nothing of the book's
// text is ever taken as markup. The data's shape is TypesetBook in core/src/publish/typeset-book.ts.

#let book = json(sys.inputs.book)
#let choices = book.set
// Sizes are written here as they are in type of 10.5 points, and follow the size that was chosen.
#let scale = choices.size / 10.5
#let ink(colour) = if choices.grey { luma(rgb(colour)) } else { rgb(colour) }
// The parts of a language tag (BCP 47) that the typesetter takes: the language, and a region of two letters.
#let spoken(tag) = {
  let parts = tag.split("-")
  // What follows a part of one letter is no region (BCP 47, 2.2.6).
  let end = parts.position(part => part.len() == 1)
  let regions = parts.slice(1, if end == none { parts.len() } else { end }).filter(part => part.len() == 2)
  (lang: parts.at(0), region: if regions.len() > 0 { regions.at(0) } else { none })
}

// The face of the text, and behind it fonts for letters that it has no shapes for: those of the Shelf, and those that ship.
#let face = if choices.face == "sans" { ("Source Sans 3", "Libertinus Serif") } else { ("Libertinus Serif",) }
#let others = book.fonts + ("Amiri", "Noto Serif Devanagari", "Noto Sans Thai", "Noto Sans Malayalam")

// Fonts that have the shapes of Chinese, Japanese and Korean as each language writes them, where the machine has one.
#let written-in(tag) = {
  let parts = tag.split("-")
  let variant = if parts.at(0) == "ja" { "JP" } else if parts.at(0) == "ko" { "KR" }
    else if parts.at(0) not in ("zh", "yue") { none }
    else if "HK" in parts or parts.at(0) == "yue" { "HK" }
    else if "Hant" in parts or "TW" in parts or "MO" in parts { "TC" } else { "SC" }
  if variant == none { (:) } else { (font: face + book.fonts + ("Noto Serif CJK " + variant, "Noto Sans CJK " + variant) + others) }
}

#set document(title: book.title, author: book.about.authors, keywords: book.about.keywords,
  description: if book.about.description == "" { none } else { book.about.description })
#set page(width: choices.width * 1mm, height: choices.height * 1mm,
  margin: (inside: choices.inner * 1mm, outside: choices.outer * 1mm, top: choices.top * 1mm, bottom: choices.bottom * 1mm))
#set text(font: face + others, size: choices.size * 1pt, ..spoken(book.language), hyphenate: choices.hyphens)
#set text(..written-in(book.language))
// What it costs to leave the first or the last line of a paragraph alone on a page.
#set text(costs: if choices.widows { (widow: 0%, orphan: 0%) } else { (widow: 100%, orphan: 100%) })
// A line is as high as its capital letters, and the rest lies between it and the next.
#set par(justify: choices.justified, leading: (choices.lineHeight - 0.65) * 1em, spacing: calc.max(0.5, choices.lineHeight - 0.43) * 1em)
#set heading(bookmarked: true)
#show heading: set text(hyphenate: false)
#show heading: set par(justify: false)
#show heading.where(level: 1): it => { v(18mm * scale, weak: false); text(size: 20pt * scale, weight: "regular", it); v(7mm * scale) }
#show heading.where(level: 2): it => { v(8mm * scale, weak: true); text(size: 13.5pt * scale, it); v(1.5mm) }
#show heading.where(level: 3): it => { v(6mm * scale, weak: true); text(size: 11.5pt * scale, it); v(1mm) }
#set quote(block: true)
#set list(indent: 2mm, spacing: 0.7em)
#set enum(indent: 2mm, spacing: 0.7em)
#set table(align: start + top, stroke: (x, y) => (bottom: 0.4pt + luma(110)), inset: (x: 2mm, y: 1.5mm))
#show table: set par(justify: false, leading: 0.55em)
#show figure: set block(breakable: true)
#show figure.caption: set par(justify: false)
#show figure.caption: set text(size: 9.5pt * scale)

#let linked(body, own) = {
  let look = if own == none { book.look } else { own }
  let painted = text(fill: ink(look.light), weight: if look.weight == "strong" { "bold" } else { "regular" }, body)
  if look.underline == "solid" { underline(offset: 1.8pt, stroke: 0.5pt, painted) }
  else if look.underline == "dotted" { underline(offset: 1.8pt, stroke: (thickness: 0.6pt, dash: "densely-dotted"), painted) }
  else { painted }
}

// A place in the text. `rise` is how far the top of its line lies above the spot: a spot in a line stands on its baseline.
#let spot(id, rise: 8pt) = if id != none [#metadata((place: id, rise: rise * scale / 1pt))#label(id)]
// Keeps a spot at the start of a heading or caption in its line; it would stand above it otherwise.
#let in-line = h(0pt)
// A link to a place is written as an address of its own (own-address.ts in core/src/publish/pdf), which is turned into the name
// of the place afterwards.
#let to-place(id, number) = link("place:" + id + "\u{1f}" + number, number)
#let leads(node, body) = if "to" in node { link(node.to, body) } else { body }
// What a page is called by the number on it.
#let called(at) = numbering({ let pattern = at.page-numbering(); if pattern == none { "1" } else { pattern } }, ..counter(page).at(at))
#let page-of(place) = context { let found = query(label(place)); if found.len() > 0 { called(found.first().location()) } }

#let picture(node, height: auto, width: auto) = {
  if node.src == none { emph(node.alt) }
  else if node.decorative { pdf.artifact(image(node.src, height: height, width: width)) }
  else { image(node.src, alt: node.alt, height: height, width: width) }
}

// A formula, by the kinds of its parts (SetFormula in core/src/publish/pdf/formula.ts).
#let formula-of(node) = {
  let all(nodes) = nodes.map(formula-of).join()
  if node.k == "row" { all(node.c) }
  else if node.k == "lr" { math.lr(all(node.c)) }
  else if node.k == "sign" { [#symbol(node.s)] }
  else if node.k == "number" { text(node.s) }
  else if node.k == "name" { math.op(node.s) }
  else if node.k == "text" { [ ] + text(node.s) + [ ] }
  else if node.k == "frac" { math.frac(..node.c.map(formula-of)) }
  else if node.k == "root" { math.root(..node.c.map(formula-of)) }
  else if node.k == "sqrt" { math.sqrt(all(node.c)) }
  else if node.k == "accent" { math.accent(formula-of(node.base), node.sign) }
  else if node.k == "table" { math.mat(delim: none, ..node.rows.map(cells => cells.map(formula-of))) }
  else if node.k == "attach" {
    let base = formula-of(node.base)
    math.attach(if node.limits { math.limits(base) } else { base },
      ..for (corner, script) in (t: node.over, b: node.under, tl: node.overBefore, bl: node.underBefore) {
        if script != none { ((corner): formula-of(script)) }
      })
  }
}

// Where a line may break though nothing shows it (U+200B in the data) there is room of hardly any width.
#let loose(words) = if words.contains("\u{200b}") { words.split("\u{200b}").join(h(0.001pt)) } else { words }

// The address of a link on paper: at the foot of its page, in the list at the end, or, in a note, beside the words.
#let unbroken(words) = { set text(hyphenate: false); loose(words) }
#let address-of(node) = {
  let mark = "[" + str(node.number) + "]"
  if node.number == 0 { [ (#unbroken(node.words))] }
  else if choices.foot { [#footnote(numbering: (..) => mark, unbroken(node.words))#label("address:" + str(node.number))] }
  else { super(mark); if choices.qr [#metadata((qr: node.number))<qr>] }
}

#let inline(nodes, rise: 8pt) = {
  let inline = inline.with(rise: rise)
  for node in nodes {
    if type(node) == str { loose(node) }
    else if node.t == "em" { emph(inline(node.c)) }
    else if node.t == "strong" { strong(inline(node.c)) }
    else if node.t == "mono" { text(font: "DejaVu Sans Mono", size: 0.85em, inline(node.c)) }
    else if node.t == "formula" { math.equation(block: node.block, alt: node.words, formula-of(node.set)) }
    else if node.t == "lang" { text(..written-in(node.lang), ..spoken(node.lang), inline(node.c)) }
    else if node.t == "struck" { strike(inline(node.c)) }
    else if node.t == "caps" { smallcaps(inline(node.c)) }
    else if node.t == "sub" { sub(inline(node.c)) }
    else if node.t == "sup" { super(inline(node.c)) }
    else if node.t == "br" { linebreak() }
    else if node.t == "anchor" { spot(node.id, rise: rise) }
    else if node.t == "link" { leads(node, linked(inline(node.c), node.look)) }
    else if node.t == "page" { page-of(node.place) }
    else if node.t == "picture" { box(picture(node, height: 1.2em)) }
    else if node.t == "mark" { super(to-place(node.place, node.number)) }
    else if node.t == "note" { [#footnote(numbering: (..) => node.number, inline((node.remark,), rise: 7pt))#label("note:" + node.place + ":" + node.back)] }
    else if node.t == "address" { address-of(node) }
    else if node.t == "remark" {
      for (index, words) in node.paragraphs.enumerate() {
        if index > 0 { parbreak() }
        inline(words)
      }
      for back in node.backs { [ ]; leads(back, linked(inline(back.c), none)) }
    }
  }
}

// The mark of a real footnote and the number at its foot lead to each other's exact places.
#let note-parts(it) = str(it.label).split(":").slice(1)
#let is-address(it) = str(it.label).starts-with("address:")
#show footnote: it => if is-address(it) { super(numbering(it.numbering, 0)) } else { super(to-place(note-parts(it).first(), numbering(it.numbering, 0))) }
#show footnote.entry: it => {
  set par(leading: 0.55em, spacing: 0.6em)
  let number = numbering(it.note.numbering, 0)
  if is-address(it.note) { [#super(number) #it.note.body] } else { [#super(to-place(note-parts(it.note).last(), number)) #it.note.body] }
}

// The sign for a line of code that goes on below: drawn, so that copying leaves it out.
#let goes-on = box(width: 4.8pt, height: 5pt, curve(stroke: 0.5pt + luma(110),
  curve.move((3.6pt, 0.6pt)), curve.line((3.6pt, 3.6pt)), curve.line((1pt, 3.6pt)),
  curve.move((2.2pt, 2.4pt)), curve.line((1pt, 3.6pt)), curve.line((2.2pt, 4.8pt))))

// Code: runs of spaces and line breaks stay as they are written. Lines that are longer than `columns` signs break at single spaces,
// and within what is longer without one. `run` is how many signs have come since the last spot at which a line may break. Gives the
// content, and the run at its end.
#let broken(nodes, columns, run) = {
  let made = ()
  for node in nodes {
    if type(node) == str {
      for (index, line) in node.split("\n").enumerate() {
        if index > 0 { made.push(linebreak()); run = 0 }
        if run + line.len() < columns { made.push(line.replace(" ", "\u{a0}")); run += line.len(); continue }
        let parts = line.split(" ")
        if run == 0 and parts.all(part => part.len() < columns) {
          // Spaces at the start of a line, and all but the last of several, stay together.
          made.push(line.replace(regex("^ +|  +"), it => "\u{a0}" * (it.text.len() - 1) + if it.start == 0 { "\u{a0}" } else { " " }))
          run = parts.last().len()
          continue
        }
        for (at, part) in parts.enumerate() {
          if at > 0 {
            if run == 0 { made.push("\u{a0}"); run = 1 } else { made.push(" "); run = 0 }
          }
          let rest = part
          if run + part.len() >= columns {
            let signs = part.clusters()
            while run + signs.len() >= columns {
              let take = calc.max(0, columns - 1 - run)
              made.push(signs.slice(0, take).join(default: ""))
              made.push(goes-on)
              made.push(linebreak())
              signs = signs.slice(take)
              run = 0
            }
            rest = signs.join(default: "")
          }
          made.push(rest)
          run += rest.len()
        }
      }
    } else if node.t == "anchor" { made.push(spot(node.id)) }
    else if node.t == "address" { made.push(address-of(node)) }
    else if "c" in node {
      let (within, now) = broken(node.c, columns, run)
      run = now
      made.push(if node.t == "link" { leads(node, linked(within, node.look)) } else { within })
    }
  }
  (made.join(), run)
}

// A sign of code is 0.602 of its size wide in every font of this kind that is set here.
#let code-of(node) = {
  let advance = 8pt * scale * 0.602
  set par(justify: false)
  set text(font: "DejaVu Sans Mono", size: 8pt * scale, hyphenate: false)
  block(inset: (left: 3mm), layout(size => par({
    let columns = calc.max(4, calc.floor(size.width / advance))
    broken(node.c, if node.longest <= columns { float.inf } else { columns }, 0).first()
  })))
}

// Parts of a picture that lead somewhere lie over it, in shares of its size.
#let areas-of(node, width, height) = {
  for area in node.areas {
    let frame = if area.frame == none { none } else {
      let dash = if area.frame.line == "solid" { "solid" } else if area.frame.line == "dashed" { "dashed" } else { "dotted" }
      (paint: ink(area.frame.colour), thickness: area.frame.width * 1pt, dash: dash)
    }
    // A frame is drawn within its box, as on screen.
    let inset = if area.frame == none { 0pt } else { area.frame.width * 0.5pt }
    let w = area.width * width
    let h = area.height * height
    place(top + left, dx: area.x * width, dy: area.y * height, leads(area, box(width: w, height: h, if frame != none {
      place(top + left, dx: inset, dy: inset, pdf.artifact(rect(width: w - 2 * inset, height: h - 2 * inset, stroke: frame)))
    })))
  }
}

#let spots(ids, rise: 8pt) = for id in ids { spot(id, rise: rise) }

#let figure-of(node) = {
  let shown = if node.src == none { spots(node.ids); leads(node, picture(node)) } else {
    layout(size => {
      let natural = measure(image(node.src))
      let ratio = natural.width / natural.height
      let wanted = if node.width == none { natural.width } else { size.width * node.width / 100 }
      let width = calc.min(size.width, wanted, (choices.height - choices.top - choices.bottom) * 1mm * 0.872 * ratio)
      let height = width / ratio
      // One box for picture and areas, so that both move together.
      box(width: width, height: height, { place(top + left, spots(node.ids, rise: 0pt)); leads(node, picture(node, width: width, height: height)); areas-of(node, width, height) })
    })
  }
  let credit = if node.credit.len() > 0 { block(above: 0.7em, text(size: 8.5pt * scale, in-line + inline(node.credit, rise: 7pt))) }
  let addresses = if node.addresses.len() > 0 { block(above: 0.6em, align(center, text(size: 8.5pt * scale, node.addresses.map(address-of).join([ ])))) }
  if node.caption.len() == 0 { align(center, shown); credit; addresses }
  else { figure(shown, caption: in-line + inline(node.caption, rise: 7pt), kind: "picture", supplement: none, numbering: none); credit; addresses }
}

// The head of a table stands again on each of its pages, where it is no content of its own: its links are those of the
// first. `counted` has counted how often the head has been set.
#let only-first(counted, body) = {
  show link: it => context { if counted.get().first() <= 1 { it } else { it.body } }
  body
}

#let HEAD-RISE = (15pt, 10pt, 9pt)

// A computed list of contents: its lines lead to headings and say their pages.
#let contents-of(node) = {
  if node.lines.len() == 0 { spots(node.ids) }
  for (index, line) in node.lines.enumerate() {
    par(hanging-indent: 4mm, justify: false, {
      if index == 0 { spots(node.ids) }
      h(4mm * (line.depth - 1))
      leads(line, linked(loose(line.words), node.look))
      h(2mm)
      box(width: 1fr, pdf.artifact(repeat(gap: 1mm)[.]))
      h(2mm)
      page-of(line.place)
    })
  }
}

// A chapter's own headings of the first level begin a page; those within a quotation, a list or a table can't.
#let blocks(nodes, outer: false) = {
  for node in nodes {
    let run = if "dir" not in node { auto } else if node.dir == "rtl" { rtl } else { ltr }
    set text(dir: run) if run != auto
    if outer and node.at("newPage", default: false) { pagebreak(weak: true) }
    if node.t == "h" {
      if outer and node.level == 1 { pagebreak(weak: true) }
      heading(level: node.level, supplement: loose(node.words), in-line + inline(node.c, rise: HEAD-RISE.at(calc.min(node.level, 3) - 1)))
    } else if node.t == "p" { par(inline(node.c)) }
    // A formula on a line of its own can't stand in a paragraph: it would not be set.
    else if node.t == "flow" { for part in node.c {
      if part.t == "p" { par(inline(part.c)) } else { block({ place(top + left, spots(part.ids, rise: 0pt)); inline(part.c) }) }
    } }
    else if node.t == "quote" { quote(blocks(node.c)) }
    else if node.t == "ul" { list(..node.c.map(item => blocks(item.c))) }
    else if node.t == "ol" { enum(start: node.start, ..node.c.map(item => blocks(item.c))) }
    else if node.t == "terms" { for item in node.c {
      if item.t == "term" { block(sticky: true, above: 0.9em, below: 0.6em, par(strong(inline(item.c)))) }
      else { block(inset: (left: 6mm), above: 0.6em, blocks(item.c)) }
    } }
    else if node.t == "code" { code-of(node) }
    else if node.t == "rule" { align(center, { spots(node.ids, rise: 0pt); pdf.artifact(line(length: 25%, stroke: 0.5pt)) }) }
    else if node.t == "figure" { figure-of(node) }
    else if node.t == "room" { block(breakable: false, width: 100%, height: node.height * 1mm, {
      place(top + left, spots(node.ids, rise: 0pt))
      for line-at in range(node.lines) { place(top + left, dy: (line-at + 1) * node.step * 1mm, pdf.artifact(line(length: 100%, stroke: 0.5pt + luma(150)))) }
    }) }
    else if node.t == "contents" { contents-of(node) }
    else if node.t == "notes" {
      set text(size: 9.5pt * scale)
      for item in node.items { par(hanging-indent: 6mm, [#box(width: 6mm, item.number)#inline((item.remark,), rise: 7pt)]) }
    } else if node.t == "table" {
      let cell(it, around: body => body) = table.cell(x: it.x, y: it.y, colspan: it.colspan, rowspan: it.rowspan, around(if it.strong { strong(blocks(it.c)) } else { blocks(it.c) }))
      let head = if node.header {
        let counted = counter("head:" + node.key)
        let heads = node.cells.filter(it => it.y == 0).enumerate()
        (table.header(repeat: node.repeats, ..heads.map(((index, it)) => cell(it, around: body => { if index == 0 { counted.step() }; only-first(counted, body) }))),)
      } else { () }
      let body = node.cells.filter(it => not node.header or it.y > 0).map(cell)
      let made = {
        set text(size: node.fit.size * 1pt)
        table(columns: node.fit.shares.map(share => share * 1fr), inset: (x: node.fit.inset * 1pt, y: 1.5mm), ..head, ..body)
      }
      let whole = if node.caption.len() == 0 { made } else { figure(made, caption: figure.caption(position: top, in-line + inline(node.caption, rise: 7pt)), supplement: none, numbering: none) }
      if node.fit.turned { page(flipped: true, whole) } else { whole }
    }
  }
}

// The picture of the cover fills its page as far as its shape allows.
#if book.cover != none {
  page(numbering: none, margin: 0mm, align(center + horizon, image(book.cover, alt: book.title, width: 100%, height: 100%, fit: "contain")))
}

// Title page
#page(numbering: none)[
  #v(1fr)
  #align(center)[
    #set par(justify: false)
    #{ show title: set text(size: 28pt * scale, weight: "regular", hyphenate: false); title({ in-line; spot(book.contents.top, rise: 21pt); book.title }) }
    #if book.subtitle != "" { v(3mm); text(size: 13pt * scale, book.subtitle) }
    #if book.author != "" { v(12mm); text(size: 12pt * scale, book.author) }
  ]
  #v(2fr)
  #align(center)[
    #set par(justify: false)
    #set text(size: 9pt * scale)
    #for line in book.imprint { par(loose(line)) }
  ]
]

// Codes of addresses stand in the outer margin of their page, beside their lines as far as there is room: below one another.
#let qr-on(page) = {
  let found = query(<qr>).filter(it => it.location().page() == page)
  // The same address may be marked several times on a page.
  let here = found.map(it => (number: it.value.qr, y: it.location().position().y - 5mm)).dedup(key: it => it.number)
  let room = (choices.height - 16) * 1mm
  let side = calc.min(13mm, room / calc.max(1, here.len()) - 4mm)
  let x = if calc.even(page) { (choices.outer * 1mm - side) / 2 } else { (choices.width - choices.outer) * 1mm + (choices.outer * 1mm - side) / 2 }
  let last = 8mm
  let stacked = ()
  for it in here { let y = calc.max(it.y, last); stacked.push(y); last = y + side + 4mm }
  // What would run off the page pushes those above it up.
  let below = choices.height * 1mm - 8mm
  for at in range(stacked.len()).rev() {
    let y = calc.min(stacked.at(at), below - side - 3mm)
    stacked.at(at) = y
    below = y - 1mm
  }
  here.enumerate().map(((at, it)) => (number: it.number, x: x, y: stacked.at(at), side: side))
}
#set page(background: context {
  for it in qr-on(here().page()) {
    place(top + left, dx: it.x, dy: it.y, image("/qr/" + str(it.number) + ".svg", width: it.side, alt: ""))
    place(top + left, dx: it.x, dy: it.y + it.side, box(width: it.side, align(center, text(size: 7pt, "[" + str(it.number) + "]"))))
  }
}) if choices.qr

// What stands above and below the text of each page.
#let small(body) = text(size: 9pt * scale, body)
#let number-here = context if page.numbering != none { small(counter(page).display(page.numbering)) }
#let chapter-here = context {
  let begins = query(heading.where(level: 1)).filter(it => it.location().page() == here().page())
  let before = query(selector(heading.where(level: 1)).before(here()))
  if begins.len() == 0 and before.len() > 0 { small(before.last().supplement) }
}
#let words-above = if choices.head == "title" { small(loose(book.title)) } else if choices.head == "chapter" { chapter-here }
// No link may stand here (PDF/UA-1): one is laid over these words afterwards.
#let way-back = if choices.back != "" {
  let words = small(linked(choices.back, none))
  box(context [#metadata((width: measure(words).width / 1pt, height: measure(words).height / 1pt))<back>#words])
}
// The outer side is the left one of a left-hand page.
#let at-outer(inner, outer) = context if calc.even(here().page()) { grid(columns: (auto, 1fr), outer, align(end, inner)) } else { grid(columns: (1fr, auto), inner, outer) }
#set page(
  header: if words-above == none and choices.numbers != "head" { none } else if choices.numbers == "head" { at-outer(words-above, number-here) } else { align(center, words-above) },
  footer: if choices.numbers == "foot" and way-back != none { at-outer(way-back, number-here) }
    else if choices.numbers == "foot" { align(center, number-here) }
    else if way-back != none { align(center, way-back) } else { none },
)
#set page(numbering: if choices.roman { "i" } else { none })

// Contents
#{
  show heading.where(level: 1): it => { v(10mm * scale); text(size: 16pt * scale, weight: "regular", it.body); v(4mm) }
  show outline.entry.where(level: 1): set block(above: 1.1em)
  // Entries show the words of the heading alone: links and places in it stand in the text only.
  show outline.entry: it => link(it.element.location(), it.indented(none, it.element.supplement + h(2mm) + box(width: 1fr, it.fill) + h(2mm) + it.page()))
  outline(title: { in-line; spot(book.contents.id, rise: 12pt); book.contents.title }, depth: book.contents.listed)
}

#let begin(chapter) = {
  if choices.right { pagebreak(weak: true, to: "odd") } else { pagebreak(weak: true) }
  if chapter.untitled {
    // The outline needs an entry; the page shows none, as the book has none.
    [#{ show heading: none; heading(level: 1, supplement: loose(chapter.title), loose(chapter.title)) }]
  }
  blocks(chapter.blocks, outer: true)
}
#let before-text = if choices.roman {
  let main = book.chapters.position(it => it.matter != "front")
  if main == none { book.chapters.len() } else { main }
} else { 0 }
#for chapter in book.chapters.slice(0, before-text) { begin(chapter) }
#if choices.right { pagebreak(weak: true, to: "odd") } else { pagebreak(weak: true) }
#set page(numbering: "1")
#counter(page).update(1)
#for chapter in book.chapters.slice(before-text) { begin(chapter) }

#if book.notes.len() > 0 { blocks(book.notes, outer: true) }

#if book.list.entries.len() > 0 {
  pagebreak(weak: true)
  heading(level: 1, supplement: book.list.title, book.list.title)
  for entry in book.list.entries {
    par({ spot(entry.id); strong(loose(entry.name)); linebreak(); loose(entry.about) })
  }
}

#if book.addresses.chapters.len() > 0 {
  pagebreak(weak: true)
  heading(level: 1, supplement: book.addresses.title, book.addresses.title)
  for group in book.addresses.chapters {
    block(sticky: true, above: 1.2em, strong(loose(group.chapter)))
    for line in group.lines { par(hanging-indent: 10mm * scale, justify: false, [#box(width: 10mm * scale, "[" + str(line.number) + "]")#unbroken(line.address)]) }
  }
}

#for file in book.attached {
  pdf.attach("/" + file.path, relationship: "supplement", mime-type: file.type, description: file.description)
}

// Where each code stands.
#context [#metadata(if choices.qr {
  range(1, here().page() + 1).map(page => qr-on(page).map(it => (number: it.number, page: page, x: it.x / 1pt, y: it.y / 1pt, side: it.side / 1pt))).flatten()
} else { () }) <qrs>]

// Where the way back stands on each page: the left end of its line.
#context [#metadata(query(<back>).map(it => {
  let at = it.location().position()
  (page: at.page, x: at.x / 1pt, y: at.y / 1pt, width: it.value.width, height: it.value.height)
})) <backs>]

// Where every place stands: its page, the top of its line, and the number that the page bears. A spot in a line stands
// behind the first sign of its words, so that it is on their line: what is shown begins a little before.
#let before = 12pt
#context [#metadata(query(metadata).filter(it => type(it.value) == dictionary and "place" in it.value).map(it => {
  let at = it.location().position()
  (id: it.value.place, page: at.page, x: calc.max(0pt, at.x - before) / 1pt, y: at.y / 1pt - it.value.rise, number: counter(page).at(it.location()).first(), label: called(it.location()))
})) <places>]
