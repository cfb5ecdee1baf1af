//! Slots of learned forms that are called after what they paint.

use rhodon_color::{Color, contrast_ratio};
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
  "Pane": { "fg": ["gray92", "gray14"], "edge_color": ["#979DA2", "#565B5E"] },
  "PushButton": { "fg": ["#4B92C8", "#24577F"], "hover_color": ["#396A93", "#1C4560"], "text_color": ["#F2F6FA", "#EDF2F7"], "text_color_disabled": ["#C0C0C0", "#8A8A8A"] },
  "Label": { "text_color": ["gray12", "#E3E9EE"] },
  "TextEntry": { "fg": ["#FAFAFB", "#343638"], "border_color": ["#979DA3", "#565B5F"], "text_color": ["gray11", "#DCE4EF"], "placeholder_text_color": ["gray52", "gray62"] },
  "TickBox_check": { "fg": ["#4B92C9", "#24577E"], "border_color": ["#3F454A", "#949A9F"], "checkmark_color": ["#EEF1F4", "gray90"], "text_color": ["gray13", "#DCE4ED"] },
  "Slider": { "fg": ["#939BA3", "#4A4D52"], "progress_color": ["gray40", "#AAB0B6"], "handle_color": ["#4B92CA", "#24577D"] },
  "Scrollbar": { "handle_color": ["gray55", "gray41"], "handle_hover_color": ["gray44", "gray53"] }
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
        ("push_button_hover_color", "primary.fill-hover"),
        ("push_button_text_color", "primary.fill-text"),
        ("push_button_text_color_disabled", "disabled.text"),
        ("label_text_color", "text.main"),
        ("text_entry_fg", "surface.raised"),
        ("text_entry_border_color", "border.strong"),
        ("text_entry_placeholder_text_color", "text.muted"),
        ("tick_box_check_fg", "primary.fill"),
        ("tick_box_check_checkmark_color", "primary.fill-text"),
        ("slider_fg", "surface.sunken"),
        ("slider_handle_color", "primary.fill"),
        ("scrollbar_handle_color", "border.strong"),
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
            .to_uppercase()
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
            Color::parse(filled[widget][part][mode].as_str().unwrap())
                .unwrap()
                .to_rgb8()
        };
        for (widget, text, on, ground) in [
            ("PushButton", "text_color", "PushButton", "fg"),
            ("PushButton", "text_color", "PushButton", "hover_color"),
            ("TextEntry", "text_color", "TextEntry", "fg"),
            ("TextEntry", "placeholder_text_color", "TextEntry", "fg"),
            ("Label", "text_color", "Pane", "fg"),
            ("TickBox_check", "text_color", "Pane", "fg"),
            ("TickBox_check", "checkmark_color", "TickBox_check", "fg"),
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
        "[Colors:Window]\nGround={}\nInk={}\n[Colors:Button]\nGround={}\n",
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
