//! Which custom properties paint the components, read from their own style sheet: the proof tells by
//! them what an element is painted with.

use std::sync::LazyLock;

/// Which property paints a part of what a selector matches.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct PaintRule {
    /// One selector, without lists.
    pub selector: &'static str,
    /// Selectors Level 4, 17: ids are not used, so 100 for a class, attribute or pseudo-class, 1
    /// for an element.
    pub specificity: u32,
    /// `text`, `ground`, `border`, or the name of a custom property that is set here.
    pub part: &'static str,
    /// Name of the custom property; none where nothing is painted.
    pub name: Option<&'static str>,
}

static RULES: LazyLock<Vec<PaintRule>> =
    LazyLock::new(|| parse(include_str!("css_components.css")));

/// Every rule of the components that paints, in the order of the sheet.
pub fn paint_rules() -> &'static [PaintRule] {
    &RULES
}

/// States of the pointer come and go: what is named is the colour at rest, or of a state laid open.
const PASSING: [&str; 5] = [":hover", ":active", ":focus-visible", ":root", "::"];

/// Our own sheet: rules without nesting but for one level of `@media`.
fn parse(sheet: &'static str) -> Vec<PaintRule> {
    let mut rules = Vec::new();
    for block in sheet.split('}') {
        let Some((head, body)) = block.rsplit_once('{') else {
            continue;
        };
        let head = head.rsplit(['{', '/', ';']).next().unwrap_or(head).trim();
        for selector in head.split(',').map(str::trim) {
            if selector.is_empty() || PASSING.iter().any(|state| selector.contains(state)) {
                continue;
            }
            rules.extend(body.split(';').filter_map(|line| rule(selector, line)));
        }
    }
    rules
}

fn rule(selector: &'static str, declaration: &'static str) -> Option<PaintRule> {
    let (property, value) = declaration.split_once(':')?;
    let (property, value) = (property.trim(), value.trim());
    let part = match property {
        "color" => "text",
        "background" | "background-color" | "background-image" | "fill" | "stroke" => "ground",
        _ if property.starts_with("border") && !property.contains("radius") => "border",
        "outline" | "outline-color" => "border",
        _ if property.starts_with("--") => property,
        _ => return None,
    };
    let nothing = matches!(value, "transparent" | "none");
    // Width and radius are properties too: the colour stands last.
    let name = value.rmatch_indices("var(").find_map(|(at, _)| {
        let rest = &value[at + 4..];
        let name = rest.split([')', ',']).next()?.trim();
        (!name.contains("shape")).then_some(name)
    });
    if name.is_none() && !nothing {
        return None;
    }
    Some(PaintRule {
        selector,
        specificity: specificity(selector),
        part,
        name,
    })
}

fn specificity(selector: &str) -> u32 {
    let classes = selector.matches(['.', '[', ':']).count() as u32;
    let elements = selector
        .split([' ', '>', '+', '~'])
        .filter(|part| part.starts_with(|c: char| c.is_ascii_alphabetic()))
        .count() as u32;
    classes * 100 + elements
}

#[cfg(test)]
mod tests {
    use super::*;

    fn found(selector: &str, part: &str) -> Option<&'static str> {
        let rule = paint_rules()
            .iter()
            .find(|r| r.selector == selector && r.part == part);
        rule.and_then(|r| r.name)
    }

    #[test]
    fn rules_of_the_components_are_found() {
        assert_eq!(found("body", "ground"), Some("--surface-base"));
        assert_eq!(found(".button", "ground"), Some("--intent-fill"));
        assert_eq!(
            found(".button.is-hover", "ground"),
            Some("--intent-fill-hover")
        );
        assert_eq!(found(".bar-item", "text"), Some("--bar-text"));
        assert!(
            paint_rules()
                .iter()
                .all(|r| !r.selector.contains([',', '{', '\n']))
        );
    }

    #[test]
    fn classes_weigh_more_than_elements() {
        for (selector, weight) in [
            ("body", 1),
            (".button", 100),
            (".button.is-hover", 200),
            ("table th", 2),
            (".a b[c]", 201),
        ] {
            assert_eq!(specificity(selector), weight, "{selector}");
        }
    }
}
