/** What an SVG drawing may hold (SVG 2 and SVG 1.1), by lists of what is allowed: whatever is on none of them is taken out. */

const words = (text: string) => text.trim().split(/\s+/);
/** Files that were read as HTML have lost the case of their names, so names are found by their small letters. */
const byLowerCase = (names: string[]): ReadonlyMap<string, string> =>
  new Map(names.map((name) => [name.toLowerCase(), name]));

export const ELEMENTS = byLowerCase(
  words(`svg g defs symbol use switch path rect circle ellipse line polyline polygon text tspan textPath title desc style image
    marker pattern clipPath mask linearGradient radialGradient stop filter feBlend feColorMatrix feComponentTransfer feComposite
    feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR
    feGaussianBlur feMerge feMergeNode feMorphology feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence a`),
);

/** Attributes whose values are names, words or languages: they lead nowhere. */
export const WORDS = byLowerCase(
  words(`class lang role version aria-label aria-labelledby aria-describedby aria-hidden aria-roledescription systemLanguage in in2
    result`),
);

/** Attributes whose values are numbers, lengths, paths and keywords. */
export const NUMBERS = byLowerCase(
  words(`x y x1 y1 x2 y2 cx cy r rx ry fx fy fr width height d points transform viewBox preserveAspectRatio pathLength offset
    gradientUnits gradientTransform spreadMethod patternUnits patternContentUnits patternTransform clipPathUnits maskUnits
    maskContentUnits markerWidth markerHeight markerUnits refX refY orient dx dy rotate textLength lengthAdjust startOffset method
    spacing side filterUnits primitiveUnits mode values type operator k1 k2 k3 k4 stdDeviation edgeMode baseFrequency numOctaves
    seed stitchTiles surfaceScale diffuseConstant specularConstant specularExponent kernelMatrix kernelUnitLength order divisor
    bias targetX targetY preserveAlpha azimuth elevation limitingConeAngle pointsAtX pointsAtY pointsAtZ radius scale
    xChannelSelector yChannelSelector tableValues slope intercept amplitude exponent z`),
);

/** Properties, as attributes and in style sheets (SVG 2, appendix on properties; CSS Fill and Stroke, Masking, Text). */
export const PROPERTIES: ReadonlySet<string> = new Set(
  words(`alignment-baseline baseline-shift clip clip-path clip-rule color color-interpolation color-interpolation-filters
    color-rendering d direction display dominant-baseline fill fill-opacity fill-rule filter flood-color flood-opacity font
    font-family font-size font-size-adjust font-stretch font-style font-variant font-weight height image-rendering isolation
    kerning letter-spacing lighting-color line-height marker marker-end marker-mid marker-start mask mask-type mix-blend-mode
    opacity overflow paint-order r rx ry cx cy x y shape-rendering stop-color stop-opacity stroke stroke-dasharray
    stroke-dashoffset stroke-linecap stroke-linejoin stroke-miterlimit stroke-opacity stroke-width text-align text-anchor
    text-decoration text-rendering text-transform transform transform-box transform-origin unicode-bidi vector-effect visibility
    white-space width word-spacing writing-mode`),
);

/** Functions in the values of properties. `url()` is looked at by itself. */
export const FUNCTIONS: ReadonlySet<string> = new Set(
  words(`rgb rgba hsl hsla hwb lab lch oklab oklch calc min max matrix translate translatex translatey scale scalex scaley rotate
    skewx skewy blur brightness contrast drop-shadow grayscale hue-rotate invert opacity saturate sepia circle ellipse inset
    polygon path`),
);

/** Pictures that may stand in a drawing: they are data of the drawing itself, and can't hold a drawing of their own. */
export const INNER_PICTURE = /^data:image\/(?:png|jpeg|gif|webp);base64,[\w+/=\s]*$/;
