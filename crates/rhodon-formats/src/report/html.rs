//! A report for people: one page that needs nothing else.

use rhodon_theme::{CheckReport, Derived, FindingReport, Mode, Severity};

use crate::write::xml::Element;

const STYLE: &str = "\
:root { color-scheme: light; } \
body { margin: 0 auto; padding: 32px; max-width: 860px; font: 15px/1.5 system-ui, sans-serif; color: #1a1a1a; background: #fff; } \
h1 { font-size: 28px; margin: 0 0 4px; } .sum { margin: 0 0 24px; color: #444; } h2 { font-size: 18px; margin: 28px 0 8px; } \
ol { list-style: none; margin: 0; padding: 0; } li { display: grid; grid-template-columns: 140px 1fr; gap: 16px; padding: 12px 0; border-top: 1px solid #ddd; } \
.seen { display: grid; align-content: center; min-height: 56px; padding: 8px 12px; font-weight: 600; border: 1px solid #00000026; } \
p { margin: 0; } .fix, .rule { font-size: 13px; color: #444; }";

/// The page of a check.
pub fn html(report: &CheckReport, theme: &Derived) -> String {
    let mut body = vec![
        Element::new("h1").text(theme.name.clone()),
        Element::new("p")
            .with("class", "sum")
            .text(summary(report, theme)),
    ];
    for severity in Severity::ALL {
        let of: Vec<&FindingReport> = report
            .findings
            .iter()
            .filter(|f| f.counts(severity) && f.severity == severity)
            .collect();
        section(&format!("{}s", severity.id()), &of, theme, &mut body);
    }
    let accepted: Vec<&FindingReport> = report
        .findings
        .iter()
        .filter(|f| f.accepted.is_some())
        .collect();
    section("accepted", &accepted, theme, &mut body);
    let page = Element::new("html").with("lang", "en").children(vec![
        Element::new("head").children(vec![
            Element::new("meta").with("charset", "utf-8"),
            Element::new("meta")
                .with("name", "viewport")
                .with("content", "width=device-width, initial-scale=1"),
            Element::new("title").text(format!("{}: check", theme.name)),
            Element::new("style").text(STYLE),
        ]),
        Element::new("body").children(vec![Element::new("main").children(body)]),
    ]);
    format!("<!doctype html>\n{}", page.print())
}

fn summary(report: &CheckReport, theme: &Derived) -> String {
    let passing = theme.pairs.iter().filter(|p| p.pass).count();
    let count = report
        .findings
        .iter()
        .filter(|f| f.counts(Severity::Warning))
        .count();
    format!(
        "{passing} of {} pairs readable in both modes, {} intents, {count} findings.",
        theme.pairs.len(),
        theme.intents.len()
    )
}

fn section(title: &str, findings: &[&FindingReport], theme: &Derived, out: &mut Vec<Element>) {
    if findings.is_empty() {
        return;
    }
    out.push(Element::new("h2").text(format!("{title}: {}", findings.len())));
    let items = findings.iter().map(|f| item(f, theme)).collect();
    out.push(Element::new("ol").children(items));
}

fn item(finding: &FindingReport, theme: &Derived) -> Element {
    let mut text = vec![Element::new("p").text(finding.message.clone())];
    if let Some(fix) = &finding.fix {
        text.push(
            Element::new("p")
                .with("class", "fix")
                .text(format!("Mended by: {}", fix.label)),
        );
    }
    if let Some(accepted) = &finding.accepted {
        text.push(
            Element::new("p")
                .with("class", "fix")
                .text(format!("Accepted: {}", accepted.reason)),
        );
    }
    text.push(
        Element::new("p")
            .with("class", "rule")
            .text(finding.rule.clone()),
    );
    Element::new("li").children(vec![
        seen(finding, theme),
        Element::new("div").children(text),
    ])
}

/// The two colours at work: the first written on the second, or beside it where it is no text. The
/// sample is a picture of what is wrong, not text to be read.
fn seen(finding: &FindingReport, theme: &Derived) -> Element {
    let mode = finding.mode.unwrap_or(Mode::Light);
    let color = |at: usize| {
        let token = theme.token(finding.tokens.get(at)?)?;
        token.cell(mode).value.color().map(|c| c.to_string())
    };
    let (Some(first), second) = (color(0), color(1)) else {
        return Element::new("div").text("");
    };
    let second = second.unwrap_or_else(|| first.clone());
    let style = format!("background: linear-gradient(90deg, {second} 50%, {first} 50%)");
    Element::new("div")
        .with("class", "seen")
        .with("role", "img")
        .with("aria-label", format!("{first} beside {second}"))
        .with("style", style)
        .text("")
}
