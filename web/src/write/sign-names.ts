/** Signs that few keyboards have, by their names in the Unicode Character Database (version 14): the code point, and the name. */
export const SIGN_NAMES = `
00A0 no-break space
202F narrow no-break space
2009 thin space
200B zero width space
00AD soft hyphen
2011 non-breaking hyphen
2013 en dash
2014 em dash
2026 horizontal ellipsis
2018 left single quotation mark
2019 right single quotation mark
201C left double quotation mark
201D right double quotation mark
201E double low-9 quotation mark
00AB left-pointing double angle quotation mark
00BB right-pointing double angle quotation mark
00B7 middle dot
2022 bullet
00A7 section sign
00B6 pilcrow sign
2020 dagger
2021 double dagger
00B0 degree sign
00D7 multiplication sign
2212 minus sign
00A9 copyright sign
00AE registered sign
2122 trade mark sign
00A1 inverted exclamation mark
00A2 cent sign
00A3 pound sign
00A4 currency sign
00A5 yen sign
00A6 broken bar
00A8 diaeresis
00AA feminine ordinal indicator
00AC not sign
00AF macron
00B1 plus-minus sign
00B2 superscript two
00B3 superscript three
00B4 acute accent
00B5 micro sign
00B8 cedilla
00B9 superscript one
00BA masculine ordinal indicator
00BC vulgar fraction one quarter
00BD vulgar fraction one half
00BE vulgar fraction three quarters
00BF inverted question mark
00C0 latin capital letter a with grave
00C1 latin capital letter a with acute
00C2 latin capital letter a with circumflex
00C3 latin capital letter a with tilde
00C4 latin capital letter a with diaeresis
00C5 latin capital letter a with ring above
00C6 latin capital letter ae
00C7 latin capital letter c with cedilla
00C8 latin capital letter e with grave
00C9 latin capital letter e with acute
00CA latin capital letter e with circumflex
00CB latin capital letter e with diaeresis
00CC latin capital letter i with grave
00CD latin capital letter i with acute
00CE latin capital letter i with circumflex
00CF latin capital letter i with diaeresis
00D0 latin capital letter eth
00D1 latin capital letter n with tilde
00D2 latin capital letter o with grave
00D3 latin capital letter o with acute
00D4 latin capital letter o with circumflex
00D5 latin capital letter o with tilde
00D6 latin capital letter o with diaeresis
00D8 latin capital letter o with stroke
00D9 latin capital letter u with grave
00DA latin capital letter u with acute
00DB latin capital letter u with circumflex
00DC latin capital letter u with diaeresis
00DD latin capital letter y with acute
00DE latin capital letter thorn
00DF latin small letter sharp s
00E0 latin small letter a with grave
00E1 latin small letter a with acute
00E2 latin small letter a with circumflex
00E3 latin small letter a with tilde
00E4 latin small letter a with diaeresis
00E5 latin small letter a with ring above
00E6 latin small letter ae
00E7 latin small letter c with cedilla
00E8 latin small letter e with grave
00E9 latin small letter e with acute
00EA latin small letter e with circumflex
00EB latin small letter e with diaeresis
00EC latin small letter i with grave
00ED latin small letter i with acute
00EE latin small letter i with circumflex
00EF latin small letter i with diaeresis
00F0 latin small letter eth
00F1 latin small letter n with tilde
00F2 latin small letter o with grave
00F3 latin small letter o with acute
00F4 latin small letter o with circumflex
00F5 latin small letter o with tilde
00F6 latin small letter o with diaeresis
00F7 division sign
00F8 latin small letter o with stroke
00F9 latin small letter u with grave
00FA latin small letter u with acute
00FB latin small letter u with circumflex
00FC latin small letter u with diaeresis
00FD latin small letter y with acute
00FE latin small letter thorn
00FF latin small letter y with diaeresis
0100 latin capital letter a with macron
0101 latin small letter a with macron
0102 latin capital letter a with breve
0103 latin small letter a with breve
0104 latin capital letter a with ogonek
0105 latin small letter a with ogonek
0106 latin capital letter c with acute
0107 latin small letter c with acute
0108 latin capital letter c with circumflex
0109 latin small letter c with circumflex
010A latin capital letter c with dot above
010B latin small letter c with dot above
010C latin capital letter c with caron
010D latin small letter c with caron
010E latin capital letter d with caron
010F latin small letter d with caron
0110 latin capital letter d with stroke
0111 latin small letter d with stroke
0112 latin capital letter e with macron
0113 latin small letter e with macron
0114 latin capital letter e with breve
0115 latin small letter e with breve
0116 latin capital letter e with dot above
0117 latin small letter e with dot above
0118 latin capital letter e with ogonek
0119 latin small letter e with ogonek
011A latin capital letter e with caron
011B latin small letter e with caron
011C latin capital letter g with circumflex
011D latin small letter g with circumflex
011E latin capital letter g with breve
011F latin small letter g with breve
0120 latin capital letter g with dot above
0121 latin small letter g with dot above
0122 latin capital letter g with cedilla
0123 latin small letter g with cedilla
0124 latin capital letter h with circumflex
0125 latin small letter h with circumflex
0126 latin capital letter h with stroke
0127 latin small letter h with stroke
0128 latin capital letter i with tilde
0129 latin small letter i with tilde
012A latin capital letter i with macron
012B latin small letter i with macron
012C latin capital letter i with breve
012D latin small letter i with breve
012E latin capital letter i with ogonek
012F latin small letter i with ogonek
0130 latin capital letter i with dot above
0131 latin small letter dotless i
0132 latin capital ligature ij
0133 latin small ligature ij
0134 latin capital letter j with circumflex
0135 latin small letter j with circumflex
0136 latin capital letter k with cedilla
0137 latin small letter k with cedilla
0138 latin small letter kra
0139 latin capital letter l with acute
013A latin small letter l with acute
013B latin capital letter l with cedilla
013C latin small letter l with cedilla
013D latin capital letter l with caron
013E latin small letter l with caron
013F latin capital letter l with middle dot
0140 latin small letter l with middle dot
0141 latin capital letter l with stroke
0142 latin small letter l with stroke
0143 latin capital letter n with acute
0144 latin small letter n with acute
0145 latin capital letter n with cedilla
0146 latin small letter n with cedilla
0147 latin capital letter n with caron
0148 latin small letter n with caron
0149 latin small letter n preceded by apostrophe
014A latin capital letter eng
014B latin small letter eng
014C latin capital letter o with macron
014D latin small letter o with macron
014E latin capital letter o with breve
014F latin small letter o with breve
0150 latin capital letter o with double acute
0151 latin small letter o with double acute
0152 latin capital ligature oe
0153 latin small ligature oe
0154 latin capital letter r with acute
0155 latin small letter r with acute
0156 latin capital letter r with cedilla
0157 latin small letter r with cedilla
0158 latin capital letter r with caron
0159 latin small letter r with caron
015A latin capital letter s with acute
015B latin small letter s with acute
015C latin capital letter s with circumflex
015D latin small letter s with circumflex
015E latin capital letter s with cedilla
015F latin small letter s with cedilla
0160 latin capital letter s with caron
0161 latin small letter s with caron
0162 latin capital letter t with cedilla
0163 latin small letter t with cedilla
0164 latin capital letter t with caron
0165 latin small letter t with caron
0166 latin capital letter t with stroke
0167 latin small letter t with stroke
0168 latin capital letter u with tilde
0169 latin small letter u with tilde
016A latin capital letter u with macron
016B latin small letter u with macron
016C latin capital letter u with breve
016D latin small letter u with breve
016E latin capital letter u with ring above
016F latin small letter u with ring above
0170 latin capital letter u with double acute
0171 latin small letter u with double acute
0172 latin capital letter u with ogonek
0173 latin small letter u with ogonek
0174 latin capital letter w with circumflex
0175 latin small letter w with circumflex
0176 latin capital letter y with circumflex
0177 latin small letter y with circumflex
0178 latin capital letter y with diaeresis
0179 latin capital letter z with acute
017A latin small letter z with acute
017B latin capital letter z with dot above
017C latin small letter z with dot above
017D latin capital letter z with caron
017E latin small letter z with caron
017F latin small letter long s
018F latin capital letter schwa
0218 latin capital letter s with comma below
0219 latin small letter s with comma below
021A latin capital letter t with comma below
021B latin small letter t with comma below
0391 greek capital letter alpha
0392 greek capital letter beta
0393 greek capital letter gamma
0394 greek capital letter delta
0395 greek capital letter epsilon
0396 greek capital letter zeta
0397 greek capital letter eta
0398 greek capital letter theta
0399 greek capital letter iota
039A greek capital letter kappa
039B greek capital letter lamda
039C greek capital letter mu
039D greek capital letter nu
039E greek capital letter xi
039F greek capital letter omicron
03A0 greek capital letter pi
03A1 greek capital letter rho
03A3 greek capital letter sigma
03A4 greek capital letter tau
03A5 greek capital letter upsilon
03A6 greek capital letter phi
03A7 greek capital letter chi
03A8 greek capital letter psi
03A9 greek capital letter omega
03AA greek capital letter iota with dialytika
03AB greek capital letter upsilon with dialytika
03AC greek small letter alpha with tonos
03AD greek small letter epsilon with tonos
03AE greek small letter eta with tonos
03AF greek small letter iota with tonos
03B0 greek small letter upsilon with dialytika and tonos
03B1 greek small letter alpha
03B2 greek small letter beta
03B3 greek small letter gamma
03B4 greek small letter delta
03B5 greek small letter epsilon
03B6 greek small letter zeta
03B7 greek small letter eta
03B8 greek small letter theta
03B9 greek small letter iota
03BA greek small letter kappa
03BB greek small letter lamda
03BC greek small letter mu
03BD greek small letter nu
03BE greek small letter xi
03BF greek small letter omicron
03C0 greek small letter pi
03C1 greek small letter rho
03C2 greek small letter final sigma
03C3 greek small letter sigma
03C4 greek small letter tau
03C5 greek small letter upsilon
03C6 greek small letter phi
03C7 greek small letter chi
03C8 greek small letter psi
03C9 greek small letter omega
2010 hyphen
2012 figure dash
2015 horizontal bar
2016 double vertical line
2017 double low line
201A single low-9 quotation mark
201B single high-reversed-9 quotation mark
201F double high-reversed-9 quotation mark
2023 triangular bullet
2024 one dot leader
2025 two dot leader
2027 hyphenation point
2030 per mille sign
2031 per ten thousand sign
2032 prime
2033 double prime
2034 triple prime
2035 reversed prime
2036 reversed double prime
2037 reversed triple prime
2038 caret
2039 single left-pointing angle quotation mark
203A single right-pointing angle quotation mark
203B reference mark
203C double exclamation mark
203D interrobang
203E overline
203F undertie
2040 character tie
2041 caret insertion point
2042 asterism
2043 hyphen bullet
2044 fraction slash
2045 left square bracket with quill
2046 right square bracket with quill
2047 double question mark
2048 question exclamation mark
2049 exclamation question mark
204A tironian sign et
204B reversed pilcrow sign
204C black leftwards bullet
204D black rightwards bullet
204E low asterisk
204F reversed semicolon
2050 close up
2051 two asterisks aligned vertically
2052 commercial minus sign
2053 swung dash
2054 inverted undertie
2055 flower punctuation mark
2056 three dot punctuation
2057 quadruple prime
2058 four dot punctuation
2059 five dot punctuation
205A two dot punctuation
205B four dot mark
205C dotted cross
205D tricolon
205E vertical four dots
2070 superscript zero
2071 superscript latin small letter i
2074 superscript four
2075 superscript five
2076 superscript six
2077 superscript seven
2078 superscript eight
2079 superscript nine
207A superscript plus sign
207B superscript minus
207C superscript equals sign
207D superscript left parenthesis
207E superscript right parenthesis
207F superscript latin small letter n
2080 subscript zero
2081 subscript one
2082 subscript two
2083 subscript three
2084 subscript four
2085 subscript five
2086 subscript six
2087 subscript seven
2088 subscript eight
2089 subscript nine
208A subscript plus sign
208B subscript minus
208C subscript equals sign
208D subscript left parenthesis
208E subscript right parenthesis
2090 latin subscript small letter a
2091 latin subscript small letter e
2092 latin subscript small letter o
2093 latin subscript small letter x
2094 latin subscript small letter schwa
2095 latin subscript small letter h
2096 latin subscript small letter k
2097 latin subscript small letter l
2098 latin subscript small letter m
2099 latin subscript small letter n
209A latin subscript small letter p
209B latin subscript small letter s
209C latin subscript small letter t
20A0 euro-currency sign
20A1 colon sign
20A2 cruzeiro sign
20A3 french franc sign
20A4 lira sign
20A5 mill sign
20A6 naira sign
20A7 peseta sign
20A8 rupee sign
20A9 won sign
20AA new sheqel sign
20AB dong sign
20AC euro sign
20AD kip sign
20AE tugrik sign
20AF drachma sign
20B0 german penny sign
20B1 peso sign
20B2 guarani sign
20B3 austral sign
20B4 hryvnia sign
20B5 cedi sign
20B6 livre tournois sign
20B7 spesmilo sign
20B8 tenge sign
20B9 indian rupee sign
20BA turkish lira sign
20BB nordic mark sign
20BC manat sign
20BD ruble sign
20BE lari sign
20BF bitcoin sign
20C0 som sign
2103 degree celsius
2109 degree fahrenheit
2113 script small l
2116 numero sign
2117 sound recording copyright
2120 service mark
2121 telephone sign
2126 ohm sign
212B angstrom sign
2150 vulgar fraction one seventh
2151 vulgar fraction one ninth
2152 vulgar fraction one tenth
2153 vulgar fraction one third
2154 vulgar fraction two thirds
2155 vulgar fraction one fifth
2156 vulgar fraction two fifths
2157 vulgar fraction three fifths
2158 vulgar fraction four fifths
2159 vulgar fraction one sixth
215A vulgar fraction five sixths
215B vulgar fraction one eighth
215C vulgar fraction three eighths
215D vulgar fraction five eighths
215E vulgar fraction seven eighths
2190 leftwards arrow
2191 upwards arrow
2192 rightwards arrow
2193 downwards arrow
2194 left right arrow
2195 up down arrow
2196 north west arrow
2197 north east arrow
2198 south east arrow
2199 south west arrow
21A9 leftwards arrow with hook
21AA rightwards arrow with hook
21B5 downwards arrow with corner leftwards
21D0 leftwards double arrow
21D1 upwards double arrow
21D2 rightwards double arrow
21D3 downwards double arrow
21D4 left right double arrow
21D5 up down double arrow
2200 for all
2201 complement
2202 partial differential
2203 there exists
2204 there does not exist
2205 empty set
2206 increment
2207 nabla
2208 element of
2209 not an element of
220A small element of
220B contains as member
220C does not contain as member
220D small contains as member
220E end of proof
220F n-ary product
2210 n-ary coproduct
2211 n-ary summation
2213 minus-or-plus sign
2214 dot plus
2215 division slash
2216 set minus
2217 asterisk operator
2218 ring operator
2219 bullet operator
221A square root
221B cube root
221C fourth root
221D proportional to
221E infinity
221F right angle
2220 angle
2221 measured angle
2222 spherical angle
2223 divides
2224 does not divide
2225 parallel to
2226 not parallel to
2227 logical and
2228 logical or
2229 intersection
222A union
222B integral
2234 therefore
2235 because
2236 ratio
2237 proportion
223C tilde operator
223D reversed tilde
2245 approximately equal to
2246 approximately but not actually equal to
2247 neither approximately nor actually equal to
2248 almost equal to
2260 not equal to
2261 identical to
2262 not identical to
2263 strictly equivalent to
2264 less-than or equal to
2265 greater-than or equal to
2266 less-than over equal to
2267 greater-than over equal to
2282 subset of
2283 superset of
2284 not a subset of
2285 not a superset of
2286 subset of or equal to
2287 superset of or equal to
2295 circled plus
2296 circled minus
2297 circled times
2298 circled division slash
2299 circled dot operator
22A5 up tack
22C5 dot operator
2300 diameter sign
25A0 black square
25A1 white square
25AA black small square
25AB white small square
25B2 black up-pointing triangle
25B3 white up-pointing triangle
25B4 black up-pointing small triangle
25B5 white up-pointing small triangle
25B6 black right-pointing triangle
25B7 white right-pointing triangle
25BC black down-pointing triangle
25BD white down-pointing triangle
25BE black down-pointing small triangle
25BF white down-pointing small triangle
25C0 black left-pointing triangle
25C1 white left-pointing triangle
25C6 black diamond
25C7 white diamond
25C8 white diamond containing black small diamond
25C9 fisheye
25CA lozenge
25CB white circle
25CC dotted circle
25CF black circle
25E6 white bullet
2605 black star
2606 white star
260E black telephone
2610 ballot box
2611 ballot box with check
2612 ballot box with x
261E white right pointing index
2640 female sign
2641 earth
2642 male sign
2648 aries
2649 taurus
264A gemini
264B cancer
264C leo
264D virgo
264E libra
264F scorpius
2650 sagittarius
2651 capricorn
2652 aquarius
2653 pisces
2660 black spade suit
2661 white heart suit
2662 white diamond suit
2663 black club suit
2664 white spade suit
2665 black heart suit
2666 black diamond suit
2667 white club suit
2669 quarter note
266A eighth note
266B beamed eighth notes
266C beamed sixteenth notes
266D music flat sign
266E music natural sign
266F music sharp sign
2693 anchor
2713 check mark
2714 heavy check mark
2715 multiplication x
2716 heavy multiplication x
2717 ballot x
2718 heavy ballot x
271D latin cross
2720 maltese cross
2721 star of david
2756 black diamond minus white x
2767 rotated floral heart bullet
0250 latin small letter turned a
0251 latin small letter alpha
0252 latin small letter turned alpha
0253 latin small letter b with hook
0254 latin small letter open o
0255 latin small letter c with curl
0256 latin small letter d with tail
0257 latin small letter d with hook
0258 latin small letter reversed e
0259 latin small letter schwa
025A latin small letter schwa with hook
025B latin small letter open e
025C latin small letter reversed open e
025D latin small letter reversed open e with hook
025E latin small letter closed reversed open e
025F latin small letter dotless j with stroke
0260 latin small letter g with hook
0261 latin small letter script g
0262 latin letter small capital g
0263 latin small letter gamma
0264 latin small letter rams horn
0265 latin small letter turned h
0266 latin small letter h with hook
0267 latin small letter heng with hook
0268 latin small letter i with stroke
0269 latin small letter iota
026A latin letter small capital i
026B latin small letter l with middle tilde
026C latin small letter l with belt
026D latin small letter l with retroflex hook
026E latin small letter lezh
026F latin small letter turned m
0270 latin small letter turned m with long leg
0271 latin small letter m with hook
0272 latin small letter n with left hook
0273 latin small letter n with retroflex hook
0274 latin letter small capital n
0275 latin small letter barred o
0276 latin letter small capital oe
0277 latin small letter closed omega
0278 latin small letter phi
0279 latin small letter turned r
027A latin small letter turned r with long leg
027B latin small letter turned r with hook
027C latin small letter r with long leg
027D latin small letter r with tail
027E latin small letter r with fishhook
027F latin small letter reversed r with fishhook
0280 latin letter small capital r
0281 latin letter small capital inverted r
0282 latin small letter s with hook
0283 latin small letter esh
0284 latin small letter dotless j with stroke and hook
0285 latin small letter squat reversed esh
0286 latin small letter esh with curl
0287 latin small letter turned t
0288 latin small letter t with retroflex hook
0289 latin small letter u bar
028A latin small letter upsilon
028B latin small letter v with hook
028C latin small letter turned v
028D latin small letter turned w
028E latin small letter turned y
028F latin letter small capital y
0290 latin small letter z with retroflex hook
0291 latin small letter z with curl
0292 latin small letter ezh
0293 latin small letter ezh with curl
0294 latin letter glottal stop
0295 latin letter pharyngeal voiced fricative
0296 latin letter inverted glottal stop
0297 latin letter stretched c
0298 latin letter bilabial click
0299 latin letter small capital b
029A latin small letter closed open e
029B latin letter small capital g with hook
029C latin letter small capital h
029D latin small letter j with crossed-tail
029E latin small letter turned k
029F latin letter small capital l
02A0 latin small letter q with hook
02A1 latin letter glottal stop with stroke
02A2 latin letter reversed glottal stop with stroke
02A3 latin small letter dz digraph
02A4 latin small letter dezh digraph
02A5 latin small letter dz digraph with curl
02A6 latin small letter ts digraph
02A7 latin small letter tesh digraph
02A8 latin small letter tc digraph with curl
02C8 modifier letter vertical line
02CC modifier letter low vertical line
02D0 modifier letter triangular colon
`;
