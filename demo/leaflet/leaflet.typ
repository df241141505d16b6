// A designed leaflet of two pages, as a printer hands it over: set by `node demo/leaflet/make.mjs`. `edition` is 1 or 2.
#let edition = int(sys.inputs.at("edition", default: "1"))
#let second = edition == 2
#let sea = rgb("#0f3d4a")
#let sand = rgb("#f4e7cd")
#let lamp = rgb("#c46a1b")
#set document(title: "Across the Sound" + if second { ", 2027" } else { "" }, author: "Orrin Sound Ferries")
#set page(width: 210mm, height: 297mm, margin: 0mm)
#set text(font: "Libertinus Serif", size: if second { 12pt } else { 11.5pt }, fill: sea, lang: "en")
#set par(leading: 0.62em, spacing: 1em)
#let button(words) = box(fill: lamp, inset: (x: 14pt, y: 9pt), radius: 5pt, text(fill: white, weight: "bold", words))
#let band(body) = block(width: 100%, fill: sea, inset: (x: 22mm, y: 14mm), text(fill: sand, body))

#band[
  #text(size: if second { 38pt } else { 34pt })[Across the Sound]
  #v(-0.4em)
  #text(size: 13pt)[The small boats to the small lights, #if second [April to October 2027] else [May to September 2026]]
]
#pad(x: 22mm, top: 6mm)[
  #set heading(numbering: none)
  = In this leaflet
  #let line(words, page) = [#words #box(width: 1fr, repeat[ . ]) #page \ ]
  #line([The crossings], [1])
  #line([What to bring], [2])
  #line([How to reach us], [2])

  = The crossings
  The boat leaves Orrin quay at nine and at one, and lies an hour at Lantern Rock. In June it goes on to
  Skerrow Head, where the light is open to visitors; see page 2 for what to bring.
  #if second [The crossing to Middle Brother is new this year and needs a calm day.]
  Times change with the tide. They stand at #link("https://ferry.example/tmies")[our timetable], and a list of
  low waters is kept by the harbour office.

  #v(3mm)
  #button[Book a place]
  #h(8mm)
  #button[Ask the skipper]
  #v(4mm)

  #rect(width: 100%, height: 62mm, fill: sand, stroke: 0.8pt + sea)[
    #place(dx: 12mm, dy: 16mm, polygon(fill: rgb("#8fb3a0"), (0mm, 10mm), (14mm, 0mm), (36mm, 6mm), (30mm, 22mm), (8mm, 24mm)))
    #place(dx: 96mm, dy: 10mm, polygon(fill: rgb("#8fb3a0"), (0mm, 8mm), (10mm, 0mm), (22mm, 5mm), (18mm, 15mm)))
    #place(dx: 18mm, dy: 44mm)[Orrin quay]
    #place(dx: 98mm, dy: 28mm)[Lantern Rock]
    #place(dx: 52mm, dy: 24mm, std.line(length: 42mm, angle: -8deg, stroke: (paint: lamp, thickness: 1.2pt, dash: "dashed")))
  ]
  Fig. 1: The way of the nine o’clock boat.
]
#pagebreak()
#band[#text(size: 20pt)[Before you set out]]
#pad(x: 22mm, top: 6mm)[
  = What to bring
  A coat, whatever the morning looks like; shoes that hold on weed; and the tide table, which is printed on
  the back of the ticket. Dogs are welcome on a lead. The way of the boat is drawn in Fig. 1.

  = How to reach us
  Write to crew\@ferry.example or look at https://ferry.example/winter before you come in the dark months.
  The lighthouses are described at #link("https://small-lights.example/")[the walks of the Sound].
  #if second [The office at the quay is open from eight, and answers the telephone until six.]

  #v(6mm)
  #button[Back to the first page]
]
