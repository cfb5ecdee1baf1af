//! Slots of learned forms that are called after what they paint.

use rhodon_color::{Color, contrast_ratio, grey_level};
use rhodon_formats::form::{Called, called, fill, learn};
use rhodon_formats::read::InputFile;
use rhodon_theme::{Derived, Form, Mode};
use serde_json::Value;

use super::theme;

/// Every kind of name that hosts have for what is painted.
#[test]
fn slots_that_are_called_after_a_role_say_which() {
    let names = [
        ("slots.bar.ground", "bar.fill"),
        ("slots.bar.ink", "bar.text"),
        ("slots.topBar.liveGround", "bar.fill"),
        ("slots.toolbarHover", "bar.hover"),
        ("slots.action_button.background", "primary.fill"),
        ("slots.hoverButtonBackground", "primary.fill-hover"),
        ("slots.button_active", "primary.fill-pressed"),
        ("slots.foreground-of-button", "primary.fill-text"),
        // Nothing of it is a ground: it stands on the page.
        ("slots.errorText", "danger.tint-text"),
        ("slots.warning.border", "warning.edge"),
        ("slots.panel.bg", "surface.raised"),
        ("slots.panel.ink", "text.main"),
        ("slots.panel.divider", "border.subtle"),
        ("slots.captionText", "text.muted"),
        ("slots.tooltip.bg", "surface.overlay"),
        ("slots.page", "surface.base"),
        ("slots.linkHover", "link.hover"),
        ("slots.focusLine", "focus.ring"),
        ("slots.selectionBg", "selection.fill"),
        ("slots.chosen", "selected.fill"),
        ("slots.disabled.text", "disabled.text"),
        ("slots.nightPage", "surface.base"),
    ];
    let mut example = String::from("{\n");
    for (at, (name, _)) in names.iter().enumerate() {
        // Reds of their own: none is a colour of the theme.
        example.push_str(&format!("  \"{name}\": \"#d1{at:02x}4{}\",\n", at % 10));
    }
    example.push_str("  \"slots.bell\": \"#d1ff00\",\n  \"slots.ink\": \"#ffffff\"\n}\n");
    let theme = theme("#0f5c7a");
    let learned = learn(&InputFile::text("host.json", example), &theme).unwrap();
    let found = called(&learned.form, &theme);
    let roles: Vec<&str> = found.iter().map(|called| called.role.path()).collect();
    let mut wanted: Vec<&str> = names.iter().map(|(_, role)| *role).collect();
    // White says nothing of what it is for; a bell is no role.
    wanted.push("text.main");
    assert_eq!(roles, wanted);
    // What all names begin with says nothing.
    assert_eq!(found[0].slot.as_str(), "bar_ground");
    assert_eq!(found[2].slot.as_str(), "top_bar_live_ground");
    let dark = found.iter().filter(|called| called.mode.is_some());
    assert_eq!(
        dark.map(|c| c.slot.as_str()).collect::<Vec<_>>(),
        ["night_page"]
    );
    // Those that follow the theme are not spoken of.
    let mut form = learned.form.clone();
    for one in found {
        let slot = form.slots.get_mut(&one.slot).unwrap();
        slot.token = Some(one.role.path().parse().unwrap());
        slot.color = None;
    }
    assert_eq!(called(&form, &theme), []);
}

/// The form of an example whose slots follow what their names speak of, and which those are.
fn following(name: &str, example: &str, theme: &Derived) -> (Form, Vec<Called>) {
    let mut form = learn(&InputFile::text(name, example), theme).unwrap().form;
    let found = called(&form, theme);
    for one in &found {
        let slot = form.slots.get_mut(&one.slot).unwrap();
        slot.token = Some(one.role.path().parse().unwrap());
        slot.mode = one.mode;
        slot.color = None;
    }
    (form, found)
}

/// Widgets of a desktop toolkit: grounds are called `fg` beside texts, and every value is one of two.
const WIDGETS: &str = r##"{
  "Pane": { "fg": ["gray95", "gray11"], "edge": ["#8f9aa0", "#4e585e"] },
  "PushButton": { "fg": ["#d14f21", "#a33a12"], "fg_hover": ["#b03d14", "#84300f"], "text": ["#fff6f2", "#ffece4"], "text_disabled": ["#c9c4c1", "#8d8783"] },
  "Label": { "text": ["gray9", "#e4ebef"] },
  "TextEntry": { "fg": ["#fbfcfc", "#2a3136"], "rim_border": ["#8f9aa1", "#4e585f"], "text": ["gray8", "#e4ebee"], "text_hint": ["gray48", "gray66"] },
  "TickBox_check": { "fg": ["#d14f22", "#a33a13"], "rim_border": ["#39434a", "#9aa4ab"], "mark_fg": ["#fdf2ee", "gray89"], "text": ["gray7", "#e4ebed"] },
  "Slider": { "fg": ["#9aa4ac", "#434d54"], "filled": ["gray37", "#b3bcc2"], "handle": ["#d14f23", "#a33a14"] },
  "Scrollbar": { "handle": ["gray56", "gray38"], "handle_hover": ["gray42", "gray57"] }
}"##;

#[test]
fn values_in_twos_follow_both_modes() {
    let theme = theme("#0f5c7a");
    let (form, _) = following("deck.json", WIDGETS, &theme);
    let role = |slot: &str| {
        let slot = form
            .slots
            .iter()
            .find(|(name, _)| name.as_str() == slot)
            .unwrap()
            .1;
        (
            slot.token.as_ref().map_or("", |token| token.as_str()),
            slot.mode,
        )
    };
    for (slot, path) in [
        ("pane_fg", "surface.raised"),
        ("push_button_fg", "primary.fill"),
        ("push_button_fg_hover", "primary.fill-hover"),
        ("push_button_text", "primary.fill-text"),
        ("push_button_text_disabled", "disabled.text"),
        ("label_text", "text.main"),
        ("text_entry_fg", "surface.raised"),
        ("text_entry_rim_border", "border.strong"),
        ("text_entry_text_hint", "text.muted"),
        ("tick_box_check_fg", "primary.fill"),
        ("tick_box_check_mark_fg", "primary.fill-text"),
        ("slider_fg", "surface.sunken"),
        ("slider_handle", "primary.fill"),
        ("scrollbar_handle", "border.strong"),
    ] {
        assert_eq!(role(slot), (path, None));
        assert_eq!(role(&format!("{slot}_dark")), (path, Some(Mode::Dark)));
    }
    let filled: Value = serde_json::from_str(&fill(&form, &theme, &[]).unwrap().text).unwrap();
    let base = |mode| {
        theme
            .token("primary.fill")
            .unwrap()
            .cell(mode)
            .value
            .to_string()
    };
    assert_eq!(
        filled["PushButton"]["fg"],
        serde_json::json!([base(Mode::Light), base(Mode::Dark)])
    );
}

/// As the toolkit paints it, whatever the brand is.
#[test]
fn text_reads_on_its_ground_in_both_modes() {
    for brand in ["#0f5c7a", "#ffd400", "#1a1a1a", "#7b2ff7"] {
        let theme = theme(brand);
        let (form, _) = following("deck.json", WIDGETS, &theme);
        let filled: Value = serde_json::from_str(&fill(&form, &theme, &[]).unwrap().text).unwrap();
        let code = |widget: &str, part: &str, mode: usize| {
            let text = filled[widget][part][mode].as_str().unwrap();
            grey_level(text).unwrap_or_else(|| Color::parse(text).unwrap().to_rgb8())
        };
        for (widget, text, on, ground) in [
            ("PushButton", "text", "PushButton", "fg"),
            ("PushButton", "text", "PushButton", "fg_hover"),
            ("TextEntry", "text", "TextEntry", "fg"),
            ("TextEntry", "text_hint", "TextEntry", "fg"),
            ("Label", "text", "Pane", "fg"),
            ("TickBox_check", "text", "Pane", "fg"),
            ("TickBox_check", "mark_fg", "TickBox_check", "fg"),
        ] {
            for mode in 0..2 {
                let ratio = contrast_ratio(code(widget, text, mode), code(on, ground, mode));
                assert!(ratio >= 4.5, "{brand} {widget} {text} {mode}: {ratio}");
            }
        }
    }
}

#[test]
fn a_dark_example_follows_the_dark_mode() {
    let theme = theme("#0f5c7a");
    let example = "page = #14171b\ntext = #e9ecf1\nbutton = #d14f21\n";
    let (_, found) = following("night.ini", example, &theme);
    let told: Vec<_> = found
        .iter()
        .map(|one| (one.role.path(), one.mode))
        .collect();
    let dark = Some(Mode::Dark);
    assert_eq!(
        told,
        [
            ("surface.base", dark),
            ("text.main", dark),
            ("primary.fill", dark)
        ]
    );
    // The same in light, and with names that say which mode they are of.
    let day = "page = #f4f1ec\ntext = #14171b\nbutton = #d14f21\n";
    assert!(
        following("day.ini", day, &theme)
            .1
            .iter()
            .all(|one| one.mode.is_none())
    );
    let both = format!("{example}page_light = #f4f1ed\n");
    assert!(
        following("both.ini", &both, &theme)
            .1
            .iter()
            .all(|one| one.mode.is_none())
    );
}

#[test]
fn slots_of_a_style_sheet_without_variables_are_called_after_its_rules() {
    let theme = theme("#0f5c7a");
    let sheet = "PushButton { background-color: #d14f21; color: #fdf6f2 }\nPushButton:hover { background: #b03d14; }\n\
                 @media print { .frame .row, .x { border: 1px solid #d9a48f } }\n\
                 .banner { background: linear-gradient(#d14f22, #b03d15) } .note.error { color: #c1121f }\n\
                 @media (prefers-color-scheme: dark) { window { background: #2a1a14 } }\n";
    let (form, found) = following("desk.qss", sheet, &theme);
    let told: Vec<_> = found
        .iter()
        .map(|one| (one.slot.as_str(), one.role.path()))
        .collect();
    assert_eq!(
        told,
        [
            ("push_button_background", "primary.fill"),
            ("push_button_text", "primary.fill-text"),
            ("push_button_hover_background", "primary.fill-hover"),
            ("frame_row_border", "border.subtle"),
            // Two colours of a gradient are no pair of modes.
            ("banner_background", "surface.base"),
            ("banner_background_2", "surface.base"),
            ("note_error_text", "danger.tint-text"),
            ("dark_window_background", "surface.base"),
        ]
    );
    assert!(
        fill(&form, &theme, &[])
            .unwrap()
            .text
            .contains("background-color: #0f5c7a")
    );
}

/// Of several tokens that have exactly a colour, the role that its name speaks of is the one that was meant.
#[test]
fn a_colour_of_the_theme_follows_the_role_that_its_name_speaks_of() {
    let theme = theme("#0f5c7a");
    let code = |path: &str| {
        theme
            .token(path)
            .unwrap()
            .cell(Mode::Light)
            .value
            .to_string()
    };
    let example = format!(
        "[Window]\nGround={}\nInk={}\n[Button]\nGround={}\n",
        code("surface.base"),
        code("text.main"),
        code("primary.fill")
    );
    let form = learn(&InputFile::text("desk.colors", example.as_str()), &theme)
        .unwrap()
        .form;
    let tokens: Vec<&str> = form
        .slots
        .values()
        .map(|slot| slot.token.as_ref().unwrap().as_str())
        .collect();
    assert_eq!(tokens, ["surface.base", "text.main", "primary.fill"]);
    assert_eq!(fill(&form, &theme, &[]).unwrap().text, example);
}
