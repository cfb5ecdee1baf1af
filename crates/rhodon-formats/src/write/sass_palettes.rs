//! `sass-palettes`: maps of steps with their readable text, for component frameworks that take
//! palettes.

use rhodon_color::ink_on;
use rhodon_theme::Mode;

use super::fit_steps::{TEN, fitted, left_out};
use super::{css_value, losses};
use crate::name;
use crate::target::{Comment, ExportError, Group, Job, Output, Step, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "sass-palettes",
    name: "Sass framework palettes",
    group: Group::Frameworks,
    options: &[],
    files: &["_palettes.scss"],
    keys: &[
        "contrast", "50", "900", "default", "lighter", "darker", "palette", "scss",
    ],
    usage: "Load it with @use \"palettes\" and give palettes.$petrol-palette, or a theme map such as palettes.$light-theme, to the framework.",
    token_name: None,
    carries_kept: false,
    write,
};

/// Keys of a theme map beside those of intents.
const KEYS: [&str; 2] = ["is-dark", "tokens"];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = name::unique(job.tokens(), |path| name::kebab("", path))?;
    if let Some(intent) = job
        .theme
        .intents
        .iter()
        .find(|i| KEYS.contains(&i.name.as_str()))
    {
        let name = intent.name.to_string();
        return Err(ExportError::Clash {
            first: format!("the theme map's {name}"),
            second: name.clone(),
            name,
        });
    }
    let mut body = String::with_capacity(48 * 1024);
    let mut warnings = losses::mapped(job.tokens());
    for (scale, steps) in job.scales() {
        let ten = fitted(&steps, &TEN);
        body.push_str(&palette(scale.slug.as_str(), &ten));
        let reason = "a palette of ten steps has no place for it; the theme maps hold it";
        warnings.extend(left_out(&steps, &ten, reason));
    }
    let scales: Vec<&str> = job.scales().map(|(s, _)| s.slug.as_str()).collect();
    for mode in Mode::BOTH {
        body.push_str(&format!(
            "\n${}-theme: (\n  is-dark: {},\n",
            mode.id(),
            mode == Mode::Dark
        ));
        for intent in &job.theme.intents {
            let role = |part: &str| job.role(&format!("{}.{part}", intent.name), mode);
            let slug = job.theme.scales[intent.scale].slug.as_str();
            let palette = if scales.contains(&slug) {
                format!("palette: ${slug}-palette, ")
            } else {
                String::new()
            };
            body.push_str(&format!(
                "  \"{}\": ({palette}default: {}, lighter: {}, darker: {}, contrast: {}),\n",
                intent.name,
                role("fill"),
                role("tint"),
                role("fill-pressed"),
                role("fill-text"),
            ));
        }
        body.push_str("  tokens: (\n");
        for token in job.tokens() {
            let value = css_value::in_map(&token.cell(mode).value);
            body.push_str(&format!("    \"{}\": {value},\n", names[&*token.path]));
        }
        body.push_str("  ),\n);\n");
    }
    Ok(Output {
        files: vec![job.file("_palettes.scss", Comment::BLOCK, &body)],
        warnings,
    })
}

/// `$petrol-palette`: ten steps, the text for each, and the picks of a default and its neighbours.
fn palette(slug: &str, ten: &[(&'static str, &Step<'_>); 10]) -> String {
    let mut out = format!("${slug}-palette: (\n");
    for (label, step) in ten {
        out.push_str(&format!("  {label}: {},\n", step.color));
    }
    let base = ten.iter().position(|(_, s)| s.base).unwrap_or(5);
    let picks = [
        ("default", base),
        ("lighter", base.saturating_sub(4)),
        ("darker", (base + 2).min(9)),
    ];
    for (pick, at) in picks {
        out.push_str(&format!("  {pick}: {},\n", ten[at].1.color));
    }
    out.push_str("  contrast: (\n");
    for (label, step) in ten {
        out.push_str(&format!("    {label}: {},\n", ink_on(step.color.code)));
    }
    for (pick, at) in picks {
        out.push_str(&format!("    {pick}: {},\n", ink_on(ten[at].1.color.code)));
    }
    out.push_str("  ),\n);\n\n");
    out
}
