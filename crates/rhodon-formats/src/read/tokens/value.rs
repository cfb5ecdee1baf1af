//! Values as a theme document writes them.

use rhodon_color::Color;
use rhodon_theme::{TokenKind, Written};
use serde_json::{Map, Value};

/// Reads a value of a kind into the text of a document.
///
/// # Errors
/// What was expected.
pub(super) fn text(value: &Value, kind: TokenKind) -> Result<String, String> {
    let text = match kind {
        TokenKind::Color => color(value)?,
        TokenKind::Dimension => dimension(value)?,
        TokenKind::Number => value.as_f64().ok_or("expected a number")?.to_string(),
        TokenKind::FontFamily => families(value)?,
        TokenKind::FontWeight => weight(value)?.to_string(),
    };
    // The document refuses what this lets through.
    Written::parse(&text, kind).map(|_| text)
}

/// A colour as an object (Color module) or, as older files have it, as CSS text.
fn color(value: &Value) -> Result<String, String> {
    match value {
        Value::String(text) => {
            Color::parse(text).map_err(|e| format!("\"{text}\": {e}"))?;
            Ok(text.trim().to_owned())
        }
        Value::Object(map) => object(map),
        _ => Err("expected a colour as an object or as CSS text".to_owned()),
    }
}

fn object(map: &Map<String, Value>) -> Result<String, String> {
    let space = map
        .get("colorSpace")
        .and_then(Value::as_str)
        .ok_or("expected a colour with a colorSpace")?;
    let components = map
        .get("components")
        .and_then(Value::as_array)
        .filter(|c| c.len() == 3);
    let components = components.ok_or("expected a colour with three components")?;
    let alpha = match map.get("alpha") {
        None => 1.0,
        Some(alpha) => alpha
            .as_f64()
            .filter(|a| (0.0..=1.0).contains(a))
            .ok_or("expected an alpha from 0 to 1")?,
    };
    if space == "srgb"
        && alpha == 1.0
        && let Some(code) = code(components)
    {
        return Ok(code);
    }
    let parts = components
        .iter()
        .map(component)
        .collect::<Result<Vec<_>, _>>()?;
    let [a, b, c] = [&parts[0], &parts[1], &parts[2]];
    let alpha = if alpha < 1.0 {
        format!(" / {alpha}")
    } else {
        String::new()
    };
    let css = match space {
        "hsl" => format!("hsl({a} {} {}{alpha})", percent(b), percent(c)),
        "hwb" => format!("hwb({a} {} {}{alpha})", percent(b), percent(c)),
        "lab" | "lch" | "oklab" | "oklch" => format!("{space}({a} {b} {c}{alpha})"),
        "srgb" => match code(components) {
            Some(hex) => format!("rgb({}{alpha})", channels(&hex)),
            None => format!("color(srgb {a} {b} {c}{alpha})"),
        },
        "srgb-linear" | "display-p3" | "a98-rgb" | "prophoto-rgb" | "rec2020" | "xyz-d65"
        | "xyz-d50" => {
            format!("color({space} {a} {b} {c}{alpha})")
        }
        other => {
            return Err(format!(
                "no colour space \"{other}\": expected one of the format's, such as srgb or oklch"
            ));
        }
    };
    Color::parse(&css).map(|_| css).map_err(|e| e.to_string())
}

/// A percentage, or `none`.
fn percent(part: &str) -> String {
    if part == "none" {
        part.to_owned()
    } else {
        format!("{part}%")
    }
}

/// A number, or `none`.
fn component(value: &Value) -> Result<String, String> {
    match value {
        Value::Number(n) => Ok(n.to_string()),
        Value::String(s) if s == "none" => Ok(s.clone()),
        _ => Err("expected components that are numbers or \"none\"".to_owned()),
    }
}

/// How far a component may lie from an 8-bit code to be taken for it: files round to five
/// decimals, or four.
const NEAR: f64 = 0.02;

/// The code of sRGB components that stand for 8-bit channels.
fn code(components: &[Value]) -> Option<String> {
    let mut out = String::from("#");
    for value in components {
        let channel = value.as_f64()? * 255.0;
        if !(-NEAR..=255.0 + NEAR).contains(&channel) || (channel - channel.round()).abs() > NEAR {
            return None;
        }
        out.push_str(&format!("{:02x}", channel.round() as u8));
    }
    Some(out)
}

/// `15 92 122` of `#0f5c7a`.
fn channels(hex: &str) -> String {
    let of = |at: usize| {
        u8::from_str_radix(&hex[at..at + 2], 16)
            .unwrap_or_default()
            .to_string()
    };
    [1, 3, 5].map(of).join(" ")
}

fn dimension(value: &Value) -> Result<String, String> {
    const EXPECTED: &str = "expected a length as an object of value and unit, px or rem";
    match value {
        Value::String(text) => Ok(text.trim().to_owned()),
        Value::Object(map) => {
            let number = map.get("value").and_then(Value::as_f64).ok_or(EXPECTED)?;
            let unit = map.get("unit").and_then(Value::as_str).ok_or(EXPECTED)?;
            Ok(format!("{number}{unit}"))
        }
        Value::Number(n) if n.as_f64() == Some(0.0) => Ok("0px".to_owned()),
        _ => Err(EXPECTED.to_owned()),
    }
}

fn families(value: &Value) -> Result<String, String> {
    const EXPECTED: &str =
        "expected a font family or a list of them, without commas, quotes and controls";
    let names: Vec<&str> = match value {
        Value::String(name) => vec![name],
        Value::Array(names) => names.iter().filter_map(Value::as_str).collect(),
        _ => return Err(EXPECTED.to_owned()),
    };
    let fits = |n: &&str| {
        !n.contains([',', '"', '\'']) && !n.chars().any(char::is_control) && n.trim() == *n
    };
    if names.is_empty() || !names.iter().all(fits) {
        return Err(EXPECTED.to_owned());
    }
    Ok(names.join(", "))
}

/// A number, or one of the names that the format knows (Format module, "Font weight").
fn weight(value: &Value) -> Result<u16, String> {
    const NAMES: [(&str, u16); 18] = [
        ("thin", 100),
        ("hairline", 100),
        ("extra-light", 200),
        ("ultra-light", 200),
        ("light", 300),
        ("normal", 400),
        ("regular", 400),
        ("book", 400),
        ("medium", 500),
        ("semi-bold", 600),
        ("demi-bold", 600),
        ("bold", 700),
        ("extra-bold", 800),
        ("ultra-bold", 800),
        ("black", 900),
        ("heavy", 900),
        ("extra-black", 950),
        ("ultra-black", 950),
    ];
    let number = match value {
        Value::Number(n) => n
            .as_f64()
            .filter(|n| n.fract() == 0.0 && (1.0..=1000.0).contains(n))
            .map(|n| n as u16),
        Value::String(name) => NAMES.iter().find(|(n, _)| n == name).map(|(_, n)| *n),
        _ => None,
    };
    number.ok_or_else(|| "expected a font weight from 1 to 1000, or its name".to_owned())
}
