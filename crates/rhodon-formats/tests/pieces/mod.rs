//! Pieces of files of every kind, with what only looks like a colour among them.

/// A piece of a file, and the codes that stand in it, in order.
pub type Piece = (&'static str, &'static [&'static str]);

const STYLE: &[Piece] = &[
    (".a { color: #0F5C7A; }\n", &["#0f5c7a"]),
    ("#add, #decade:hover { margin: 0 }\n", &[]),
    ("/* #abcdef red */\n", &[]),
    (
        ".b { background: url(#fff) url(\"a.png#123\") no-repeat, RED }\n",
        &["#ff0000"],
    ),
    (
        "@keyframes red { from { top: 0 } }\n.c { animation: red 2s, tan 1s }\n",
        &[],
    ),
    (
        ".d { border: 1px solid rgba(15, 92, 122, .5); font-family: Tan, \"#fff\" }\n",
        &["#0f5c7a80"],
    ),
    (
        ":root { --brand: tan; --mixed: 1px solid red; }\n",
        &["#d2b48c"],
    ),
    (
        ".e { box-shadow: 0 0 2px #00f, inset 0 0 1px hsl(120deg 50% 50%) }\n",
        &["#0000ff", "#40bf40"],
    ),
    (
        "@media (prefers-color-scheme: dark) { .f { fill: oklch(60% 0.1 230) } }\n",
        &["#328bb0"],
    ),
    (
        "@supports (color: #123456) { .g { grid-area: red } }\n",
        &[],
    ),
    (
        ".h { background: linear-gradient(to right, navy, var(--x)); content: \"#fff\" }\n",
        &["#000080"],
    ),
    (
        ".i { color: color-mix(in srgb, #123, white) }\n",
        &["#112233", "#ffffff"],
    ),
    (
        ".j { color: currentColor; background: transparent; width: calc(1px + 2px) }\n",
        &[],
    ),
    ("a:not(#fee) > b:hover { outline: auto }\n", &[]),
    (".é(var(--x)) { --y: é; --z: 1, 2é, 3% 4% }\n", &[]),
    (
        ":root { --sea: 200 77% 38%; --wave: 199deg 78.1% 26.9% / .5 ; --at: 4 8 12; --wide: 3 50% }\n",
        &["#167aac", "#0f587a80"],
    ),
];
const SASS: &[Piece] = &[
    ("@define-color hull #0f5c7a;\n", &["#0f5c7a"]),
    ("// don't count #badbad, it is a comment\n", &[]),
    ("$brand: #0f5c7a !default;\n", &["#0f5c7a"]),
    (
        "$map: (primary: #8a9a2b, \"second\": rgb(1 2 3));\n",
        &["#8a9a2b", "#010203"],
    ),
    (
        ".k-#{$i}:hover { color: #ABC; @include m(#123); &:hover { fill: red } }\n",
        &["#aabbcc", "#112233", "#ff0000"],
    ),
    ("@include theme(#0f5c7a) { margin: 0 }\n", &["#0f5c7a"]),
    (".l { box-shadow: 0 0 2px #{$c} #00f; }\n", &["#0000ff"]),
];
const MARKUP: &[Piece] = &[
    (
        "<meta name=\"theme-color\" content=\"#0f5c7a\">\n",
        &["#0f5c7a"],
    ),
    (
        "<a href=\"#add\" style=\"color: #222; background: url(#fff)\">#fff</a>\n",
        &["#222222"],
    ),
    ("<!-- <p style=\"color: #abc\"> -->\n", &[]),
    ("<style>.x { color: #111 } #bad {}</style>\n", &["#111111"]),
    (
        "<svg><path id=\"#444\" fill='#333' stroke=red d=\"M0 0\"/></svg>\n",
        &["#333333", "#ff0000"],
    ),
    (
        "<script>const a = \"#555\"; // \"#666\"\n</script>\n",
        &["#555555"],
    ),
    ("<p class=\"red\" id=fff>tan if 1 < 2</p>\n", &[]),
];
const JSON: &[Piece] = &[
    ("{ \"blue\": \"#0f5c7a\" }\n", &["#0f5c7a"]),
    (
        "{ \"note\": \"see #123456 there\", \"name\": \"tan\" }\n",
        &[],
    ),
    (
        "{ \"backgroundColor\": \"tan\", \"border\": \"1px solid #ABC\" }\n",
        &["#d2b48c", "#aabbcc"],
    ),
    ("{ \"a\": [\"rgb(1, 2, 3)\", 15] }\n", &["#010203"]),
    (
        "{ \"color\" : { \"color-space\" : \"srgb\", \"components\" : { \"alpha\" : \"1.000\", \"blue\" : \"0x7A\", \"green\" : \"0.361\", \"red\" : \"15\" } } }\n",
        &["#0f5c7a"],
    ),
    ("{ \"red\": \"0x0F\", \"green\": \"300\" }\n", &[]),
];
const SCRIPT: &[Piece] = &[
    ("// '#abc'\n/* \"#def\" */\n", &[]),
    ("export const petrol = \"#0f5c7a\";\n", &["#0f5c7a"]),
    ("const id = 0xFF0F5C7A, mask = 0xffffff;\n", &[]),
    (
        "document.querySelector(\"#add\"); link.href = '#bad';\n",
        &[],
    ),
    ("val tint = Color(0xFF8A9A2B)\n", &["#8a9a2b"]),
    (
        "theme = { danger: 'rgb(1, 2, 3)', color: \"red\", kind: \"tan\" };\n",
        &["#010203", "#ff0000"],
    ),
    (
        "let a = Color(red: 0.059, green: 0.361, blue: 0.478), b = move(1, 2, 3); Color.fromRGBO(17, 34, 51, x)\n",
        &["#0f5c7a"],
    ),
    ("const re = /[\"#fff]/; const q = a / b;\n", &[]),
    (
        "const s = css`color: #ABC; #dad { top: 0 }`;\n",
        &["#aabbcc"],
    ),
];
const RESOURCE: &[Piece] = &[
    ("<color name=\"petrol\">#FF0F5C7A</color>\n", &["#0f5c7a"]),
    ("<!-- <color name=\"x\">#FFF</color> -->\n", &[]),
    ("<item name=\"y\">@color/petrol</item>\n", &[]),
    ("<color name=\"veil\">#800F5C7A</color>\n", &["#0f5c7a80"]),
    (
        "<path android:fillColor=\"#8a9a2b\" android:id=\"@+id/add\"/>\n",
        &["#8a9a2b"],
    ),
];
const PALETTE: &[Piece] = &[
    ("# 1 2 3\n", &[]),
    ("Name: 15\n", &[]),
    (" 15  92 122\tPetrol\n", &["#0f5c7a"]),
    ("999 1 1 no\n", &[]),
];
const SETTINGS: &[Piece] = &[
    ("# bar = #abcdef\n#bad\n; row = #abcdef\n// #abcdef\n", &[]),
    ("#0f5c7a Petrol\n", &["#0f5c7a"]),
    ("bar = #0F5C7A # not #abcdef\n", &["#0f5c7a"]),
    ("row: 'rgb(15 92 122 / 50%)'\n", &["#0f5c7a80"]),
    ("badge=0xFF0F5C7A\nat=0x7F0F\n", &["#0f5c7a"]),
    ("fruit = orange\nbar-color = tan\n", &["#d2b48c"]),
    (
        "[colours]\nfruit = \"orange\"\n[other]\nfruit = orange\n",
        &["#ffa500"],
    ),
    (
        "edge = { color = \"red\", width = 2, glow = \"#0f0\" }\n",
        &["#ff0000", "#00ff00"],
    ),
    ("it's = #8a9a2b\n", &["#8a9a2b"]),
    (
        "[colors]\ndeck=15, 92, 122\nhull = 8A9A2B\n[at]\nsize=1,2,3\n",
        &["#0f5c7a", "#8a9a2b"],
    ),
];
const COMPILED: &[Piece] = &[
    ("#include \"deck.h\" // \"#abc\"\n#define DECK 12\n", &[]),
    (
        "fn hull<'a>(x: &'a str) -> &'static str { \"#0f5c7a\" }\n",
        &["#0f5c7a"],
    ),
    (
        "char quote = '\"', back = '\\\\'; int big = 1'000'000;\n",
        &[],
    ),
    (
        "QColor hull(15, 92, 122); auto b = QColor::fromRgb(138, 154, 43, 128);\n",
        &["#0f5c7a", "#8a9a2b80"],
    ),
    (
        "var a = Color.FromArgb(128, 15, 92, 122); move(1, 2, 3);\n",
        &["#0f5c7a80"],
    ),
    (
        "w->setStyleSheet(\"QPushButton { color: #ABC; }\"); say(\"Color: red {x}: #123456\");\n",
        &["#aabbcc"],
    ),
    (
        "deck := color.RGBA{R: 0x0F, G: 0x5c, B: 0x7a, A: 0xff}\nhull := color.NRGBA{138, 154, 43, 128}\n",
        &["#0f5c7a", "#8a9a2b80"],
    ),
    (
        "ViewColor deck = { 0x0f, 0x5c, 0x7a }; size at = { 1, 2, 3 };\n",
        &["#0f5c7a"],
    ),
    (
        "let veil = 4 / 2; let deep = Color32::from_rgb(1, 2, 3);\n",
        &["#010203"],
    ),
];
const HASHED: &[Piece] = &[
    ("# accent = \"#abcdef\"\n", &[]),
    ("accent = '#0f5c7a'  # \"#fff\"\n", &["#0f5c7a"]),
    (
        "button(edge_color=(\"gray93\", \"gray7\"), size=3)\n",
        &["#ededed", "#121212"],
    ),
    (
        "sheet = \"\"\"\nQFrame { background: #8a9a2b }\n\"\"\"\n",
        &["#8a9a2b"],
    ),
    (
        "half = a // 2  # it's\nfill_color = \"0F5C7A\"\ncount = \"123456\"\n",
        &["#0f5c7a"],
    ),
];
const XAML: &[Piece] = &[
    ("<Color x:Key=\"Petrol\">#FF0F5C7A</Color>\n", &["#0f5c7a"]),
    (
        "<SolidColorBrush x:Key=\"Veil\" Color=\"#800F5C7A\"/>\n",
        &["#0f5c7a80"],
    ),
    ("<!-- <Brush Color=\"#FFF\" Fill=\"Tan\"/> -->\n", &[]),
    (
        "<Setter Property=\"Background\" Value=\"Tan\"/><Setter Property=\"Name\" Value=\"Tan\"/>\n",
        &["#d2b48c"],
    ),
    (
        "<Grid BorderBrush=\"Red\" Fill=\"Transparent\"><Text>Tan</Text></Grid>\n",
        &["#ff0000"],
    ),
    ("<Color x:Key=\"Sand\"> Tan </Color>\n", &["#d2b48c"]),
];
/// Pieces of every kind of file, by its ending.
pub const KINDS: &[(&str, &[Piece])] = &[
    ("css", STYLE),
    ("scss", SASS),
    ("html", MARKUP),
    ("json", JSON),
    ("ts", SCRIPT),
    ("xml", RESOURCE),
    ("gpl", PALETTE),
    ("ini", SETTINGS),
    ("cpp", COMPILED),
    ("py", HASHED),
    ("xaml", XAML),
];

/// The number after a number (SplitMix64).
pub fn next(seed: &mut u64) -> usize {
    *seed = seed.wrapping_add(0x9e37_79b9_7f4a_7c15);
    let mut z = *seed;
    z = (z ^ (z >> 30)).wrapping_mul(0xbf58_476d_1ce4_e5b9);
    z = (z ^ (z >> 27)).wrapping_mul(0x94d0_49bb_1331_11eb);
    (z ^ (z >> 31)) as usize
}
