//! SARIF 2.1.0 (OASIS), which code hosts and editors show beside the document.

use rhodon_theme::{CheckReport, FindingReport};
use serde_json::{Value, json};

/// A report on a document in a file, with places in its text.
pub fn sarif(report: &CheckReport, file: &str, text: &str) -> Value {
    let mut rules: Vec<Value> = Vec::new();
    for finding in &report.findings {
        if !rules.iter().any(|r| r["id"] == finding.id) {
            rules.push(json!({ "id": finding.id, "shortDescription": { "text": finding.rule } }));
        }
    }
    let results: Vec<Value> = report
        .findings
        .iter()
        .map(|f| result(f, file, text))
        .collect();
    json!({
        "$schema": "https://json.schemastore.org/sarif-2.1.0.json",
        "version": "2.1.0",
        "runs": [{
            "tool": { "driver": {
                "name": "Rhodon", "version": env!("CARGO_PKG_VERSION"), "rules": rules,
            } },
            "columnKind": "unicodeCodePoints",
            "results": results,
        }],
    })
}

fn result(finding: &FindingReport, file: &str, text: &str) -> Value {
    let (line, column) = place(text, &pointer(finding));
    let mut out = json!({
        "ruleId": finding.id,
        "level": finding.severity,
        "message": { "text": finding.message },
        "locations": [{ "physicalLocation": {
            "artifactLocation": { "uri": file },
            "region": { "startLine": line, "startColumn": column },
        } }],
    });
    if let Some(accepted) = &finding.accepted {
        out["suppressions"] = json!([{ "kind": "inSource", "justification": accepted.reason }]);
    }
    out
}

/// Where in the document the finding is decided: what its fix would change, else the role, own token
/// or scale of that name.
fn pointer(finding: &FindingReport) -> String {
    let patched = finding
        .fix
        .as_ref()
        .and_then(|f| f.patch.pointer("/0/path")?.as_str());
    let token = finding.tokens.first().map_or("", String::as_str);
    patched.map_or_else(|| format!("/{token}"), str::to_owned)
}

/// Line and column, from 1, of the keys of a pointer in a text, as far as they are there.
fn place(text: &str, pointer: &str) -> (usize, usize) {
    let mut at = 0;
    for segment in pointer.split('/').skip(1) {
        let key = format!("\"{}\"", segment.replace("~1", "/").replace("~0", "~"));
        if let Some(found) = text[at..].find(&key) {
            at += found;
        }
    }
    let before = &text[..at];
    let line = before.matches('\n').count() + 1;
    let column = before.rsplit('\n').next().map_or(0, |l| l.chars().count()) + 1;
    (line, column)
}
