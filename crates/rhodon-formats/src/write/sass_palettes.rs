//! `sass-palettes`: palettes of steps with their readable text, the theme maps made of them, and
//! for the framework's newer interface tones and the roles of a page.

use rhodon_color::{Rgb8, contrast_ratio, ink_on};
use rhodon_theme::{Intent, IntentPart, IntentScale, Mode, TEXT_RATIO};

use super::fit_steps::{TEN, fitted, left_out};
use super::intent_color::MAIN;
use super::{css_value, role_map};
use crate::error::ExportError;
use crate::job::{Comment, Job, Step, all_steps};
use crate::losses;
use crate::name;
use crate::option::TargetOption;
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "sass-palettes",
    name: "Sass framework palettes",
    group: Group::Frameworks,
    options: &[MAIN, TargetOption::TOKENS],
    files: &["_palettes.scss"],
    keys: &[
        "contrast",
        "50",
        "900",
        "default",
        "lighter",
        "darker",
        "default-contrast",
        "tones",
        "system",
        "palette",
        "scss",
    ],
    usage: "Load it with @use \"palettes\". palettes.$light-theme and palettes.$dark-theme go to the framework's theme functions as they are; palettes.$petrol-palette goes to its palette function. For its newer interface, palettes.$tones is the palette of its theme mixin and palettes.$light-system or palettes.$dark-system what that is overridden with.",
    usage_of: None,
    token_name: None,
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

/// Keys that the framework's theme functions know, with the intents behind them.
const DEMANDED: [(&str, Intent); 3] = [
    ("primary", Intent::Primary),
    ("accent", Intent::Accent),
    ("warn", Intent::Danger),
];

/// The tones of a colour, in L\*.
const TONES: [u8; 18] = [
    0, 5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 70, 80, 90, 95, 98, 99, 100,
];
/// Those that grounds are taken from beside them.
const GROUND_TONES: [u8; 10] = [4, 6, 12, 17, 22, 24, 87, 92, 94, 96];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = name::unique(job.tokens(), |path| name::kebab("", path))?;
    check_keys(job)?;
    let mut body = String::with_capacity(48 * 1024);
    let mut warnings = losses::mapped(job.tokens());
    for (scale, steps) in job.scales() {
        let ten = fitted(&steps, &TEN);
        let lines = step_lines(&ten, "  ");
        body.push_str(&format!("${}-palette: (\n{lines});\n\n", scale.slug));
        let reason = "a palette of ten steps has no place for it";
        warnings.extend(left_out(&steps, &ten, reason));
    }
    for mode in Mode::BOTH {
        body.push_str(&format!("${}-theme: (\n  color: (\n", mode.id()));
        for (key, intent) in DEMANDED {
            if let Some(intent) = job.theme.intent(intent.id()) {
                body.push_str(&theme_palette(job, key, intent, mode));
            }
        }
        for intent in job.theme.intents.iter().filter(|i| !is_demanded(i)) {
            body.push_str(&theme_palette(job, intent.name.as_str(), intent, mode));
        }
        body.push_str(&format!("  ),\n  is-dark: {},\n", mode == Mode::Dark));
        if job.settings.get(&TargetOption::TOKENS) == "all" {
            let entries = css_value::map_entries(job, &names, mode, "    ");
            body.push_str(&format!("  tokens: (\n{entries}  ),\n"));
        }
        body.push_str(");\n\n");
    }
    body.push_str(&tones(job));
    for mode in Mode::BOTH {
        body.push_str(&system(job, mode));
    }
    Ok(Output {
        files: vec![job.file("_palettes.scss", Comment::LINE, &body)],
        warnings,
    })
}

fn is_demanded(intent: &IntentScale) -> bool {
    DEMANDED
        .iter()
        .any(|(_, known)| known.id() == intent.name.as_str())
}

/// An intent of the user's own may not stand where the framework looks for another.
fn check_keys(job: &Job<'_>) -> Result<(), ExportError> {
    let taken = |i: &&IntentScale| {
        !is_demanded(i) && DEMANDED.iter().any(|(key, _)| *key == i.name.as_str())
    };
    match job.theme.intents.iter().find(taken) {
        None => Ok(()),
        Some(intent) => Err(ExportError::Clash {
            first: format!("the framework's {}", intent.name),
            second: intent.name.to_string(),
            name: intent.name.to_string(),
        }),
    }
}

/// Ten steps and the text for each.
fn step_lines(ten: &[(&'static str, &Step<'_>); 10], pad: &str) -> String {
    let line = |(label, code): (&str, String)| format!("{pad}{label}: {code},\n");
    let steps: String = ten
        .iter()
        .map(|(l, s)| line((l, s.color.to_string())))
        .collect();
    let inks: String = ten
        .iter()
        .map(|(l, s)| format!("{pad}  {l}: {},\n", ink_on(s.color.code)))
        .collect();
    format!("{steps}{pad}contrast: (\n{inks}{pad}),\n")
}

/// A palette as the framework's palette function gives it: the fill as default, its neighbours in
/// the scale, and the theme's own text on them.
fn theme_palette(job: &Job<'_>, key: &str, intent: &IntentScale, mode: Mode) -> String {
    let role = |part: IntentPart| job.role(&part.of(intent.name.as_str()), mode);
    let steps: Vec<Step<'_>> = all_steps(&job.theme.scales[intent.scale]).collect();
    let ten = fitted(&steps, &TEN);
    let (fill, ink) = (role(IntentPart::Fill), role(IntentPart::FillText));
    let at = fill.code.lightness();
    let nearest = |wanted: f64| {
        let codes = ten.iter().map(|(_, s)| s.color.code);
        let distance = |c: &Rgb8| (c.lightness() - wanted).abs();
        codes
            .min_by(|a, b| distance(a).total_cmp(&distance(b)))
            .unwrap_or(fill.code)
    };
    let (lighter, darker) = (nearest(at + 22.0), nearest(at - 12.0));
    let on = |ground: Rgb8| {
        let own = contrast_ratio(ink.code, ground) >= TEXT_RATIO;
        if own { ink.code } else { ink_on(ground) }
    };
    let text = super::intent_color::readable(job, intent, mode);
    let mut out = format!("    \"{key}\": (\n{}", step_lines(&ten, "      "));
    for (label, step) in &ten {
        let ink = ink_on(step.color.code);
        out.push_str(&format!("      \"{label}-contrast\": {ink},\n"));
    }
    for (name, value) in [
        ("default", fill.to_string()),
        ("lighter", lighter.to_string()),
        ("darker", darker.to_string()),
        ("text", text.to_string()),
        ("default-contrast", ink.to_string()),
        ("lighter-contrast", on(lighter).to_string()),
        ("darker-contrast", on(darker).to_string()),
    ] {
        out.push_str(&format!("      {name}: {value},\n"));
    }
    out.push_str("    ),\n");
    out
}

/// The palette that the framework's theme mixin takes: tones of the primary colour, and of those
/// that it derives from it where nothing else is given.
fn tones(job: &Job<'_>) -> String {
    let lines = |intent: Intent, grounds: bool, pad: &str| {
        let Some(scale) = job.theme.intent_scale(intent.id()) else {
            return String::new();
        };
        let more = if grounds { &GROUND_TONES[..] } else { &[] };
        let mut all: Vec<u8> = TONES.iter().chain(more).copied().collect();
        all.sort_unstable();
        all.into_iter()
            .map(|l| format!("{pad}{l}: {},\n", scale.scale.at_lightness(f64::from(l))))
            .collect()
    };
    let mut out = format!("$tones: (\n{}", lines(Intent::Primary, false, "  "));
    for (key, intent, grounds) in [
        ("secondary", Intent::Secondary, false),
        ("tertiary", Intent::Accent, false),
        ("neutral", Intent::Neutral, true),
        ("neutral-variant", Intent::Neutral, true),
        ("error", Intent::Danger, false),
    ] {
        out.push_str(&format!(
            "  {key}: (\n{}  ),\n",
            lines(intent, grounds, "    ")
        ));
    }
    out.push_str(");\n\n");
    out
}

/// The roles of a page and of the main intents, by the framework's names for its properties.
fn system(job: &Job<'_>, mode: Mode) -> String {
    let entries = role_map::scheme(job, mode).into_iter();
    let lines: String = entries
        .map(|(key, color)| format!("  {}: {color},\n", kebab_of(key.kotlin)))
        .collect();
    format!("${}-system: (\n{lines});\n\n", mode.id())
}

/// `onPrimary` as `on-primary`.
fn kebab_of(camel: &str) -> String {
    let mut out = String::with_capacity(camel.len() + 4);
    for c in camel.chars() {
        if c.is_ascii_uppercase() {
            out.push('-');
        }
        out.push(c.to_ascii_lowercase());
    }
    out
}
