//! Colours in forms, and the filters that print them.

use std::fmt;
use std::sync::Arc;

use minijinja::value::{Enumerator, Object, ObjectRepr, ValueKind};
use minijinja::{Environment, Error, ErrorKind, Value, filters, tests};
use rhodon_color::{Color, Notation, Rgb8, Space, ink_on, respelt, respelt_alpha_first};
use rhodon_theme::color_look;

use crate::color_use::respelt_call;

/// Every filter with what it does. A new one is one line here and one in [`add_filters`].
pub const FILTERS: [(&str, &str); 25] = [
    ("hex", "#0f5c7a, with the opacity where it has one"),
    ("bare", "0f5c7a"),
    ("upper", "in capitals"),
    ("lower", "in small letters"),
    ("argb", "ff0f5c7a, the opacity in front"),
    ("rgb", "15, 92, 122"),
    ("hsl", "hsl(197 78% 27%)"),
    ("oklch", "oklch(0.446 0.084 230.7)"),
    ("alpha", "with an opacity of 0 to 1: alpha(0.5)"),
    ("on_text", "black or white, whichever is read on it"),
    ("nearest_name", "what it is called by its look"),
    ("mix", "mixed with another: mix(other, 0.5)"),
    (
        "like",
        "as another is spelt: like(\"RGB(1, 2, 3)\"), like(\"Color(red: 0.1, green: 0.2, blue: 0.3)\")",
    ),
    ("replace", "replace(\"-\", \"_\")"),
    ("join", "join(\", \")"),
    ("int", "a whole number"),
    ("float", "a number"),
    ("abs", "without its sign"),
    ("length", "how many"),
    ("first", "the first"),
    ("last", "the last"),
    ("round", "round(2)"),
    ("default", "what to take where nothing is"),
    ("trim", "without space around"),
    ("title", "With Capitals"),
];

/// A colour as a value: it prints as hex, and tells `r`, `g`, `b`, `a`, `l`, `c` and `h`.
#[derive(Debug)]
pub(super) struct ColorObject(pub Color);

impl Object for ColorObject {
    fn repr(self: &Arc<Self>) -> ObjectRepr {
        ObjectRepr::Plain
    }

    fn get_value(self: &Arc<Self>, key: &Value) -> Option<Value> {
        let code = self.0.to_rgb8();
        let [r, g, b] = code.channels();
        let lch = self.0.to_oklch();
        Some(match key.as_str()? {
            "r" => Value::from(r),
            "g" => Value::from(g),
            "b" => Value::from(b),
            "a" => Value::from(self.0.alpha()),
            "l" => Value::from(lch.l),
            "c" => Value::from(lch.c),
            "h" => Value::from(lch.hue().unwrap_or(0.0)),
            "hex" => Value::from(self.0.to_hex()),
            _ => return None,
        })
    }

    fn enumerate(self: &Arc<Self>) -> Enumerator {
        Enumerator::NonEnumerable
    }

    fn render(self: &Arc<Self>, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(&self.0.to_hex())
    }
}

/// A colour as a value of forms.
pub(super) fn value(color: Color) -> Value {
    Value::from_object(ColorObject(color))
}

/// The colour that a value is, or that a text of it says.
fn color_of(value: &Value) -> Result<Color, Error> {
    if let Some(object) = value.downcast_object_ref::<ColorObject>() {
        return Ok(object.0);
    }
    let wrong = |found: &str| {
        Error::new(
            ErrorKind::InvalidOperation,
            format!("expected a colour, found {found}"),
        )
    };
    let text = value
        .as_str()
        .ok_or_else(|| wrong(&value.kind().to_string()))?;
    Color::parse_typed(text).map_err(|_| wrong(text))
}

/// A value as it prints: a text, a number or a colour; lists may be of any size.
fn printed(value: &Value) -> Result<String, Error> {
    let is_plain = matches!(
        value.kind(),
        ValueKind::String | ValueKind::Number | ValueKind::Bool
    );
    if is_plain || value.downcast_object_ref::<ColorObject>().is_some() {
        return Ok(value.to_string());
    }
    let why = format!(
        "expected a text, a number or a colour, found {}",
        value.kind()
    );
    Err(Error::new(ErrorKind::InvalidOperation, why))
}

/// The longest text that a filter makes of another, in bytes.
const MAX_TEXT: usize = 100_000;

fn bounded(text: String) -> Result<String, Error> {
    if text.len() > MAX_TEXT {
        let why = "a text of more than 100 KB: expected a shorter one";
        return Err(Error::new(ErrorKind::InvalidOperation, why));
    }
    Ok(text)
}

pub(super) fn add_filters(environment: &mut Environment<'static>) {
    add_spellings(environment);
    add_changes(environment);
    add_texts(environment);
    environment.add_filter("int", filters::int);
    environment.add_filter("float", filters::float);
    environment.add_filter("abs", filters::abs);
    environment.add_filter("length", filters::length);
    environment.add_filter("first", filters::first);
    environment.add_filter("last", filters::last);
    environment.add_filter("round", filters::round);
    environment.add_filter("default", filters::default);
    environment.add_filter("trim", filters::trim);
    environment.add_filter("title", filters::title);
}

/// How a colour is written.
fn add_spellings(environment: &mut Environment<'static>) {
    environment.add_filter("hex", |v: Value| Ok::<_, Error>(color_of(&v)?.to_hex()));
    environment.add_filter("bare", |v: Value| {
        Ok::<_, Error>(color_of(&v)?.to_hex()[1..].to_owned())
    });
    environment.add_filter("argb", |v: Value| {
        let color = color_of(&v)?;
        Ok::<_, Error>(format!(
            "{:02x}{}",
            color.alpha8(),
            &color.to_rgb8().to_string()[1..]
        ))
    });
    environment.add_filter("rgb", |v: Value| {
        let [r, g, b] = color_of(&v)?.to_rgb8().channels();
        Ok::<_, Error>(format!("{r}, {g}, {b}"))
    });
    environment.add_filter("hsl", |v: Value| {
        Ok::<_, Error>(Notation::Hsl.write(color_of(&v)?))
    });
    environment.add_filter("oklch", |v: Value| {
        Ok::<_, Error>(Notation::Oklch.write(color_of(&v)?))
    });
    environment.add_filter("like", like);
    environment.add_filter("nearest_name", |v: Value| {
        Ok::<_, Error>(color_look(color_of(&v)?.to_rgb8()))
    });
}

/// Colours made from colours.
fn add_changes(environment: &mut Environment<'static>) {
    environment.add_filter("alpha", |v: Value, alpha: f64| {
        let color = color_of(&v)?;
        if !(0.0..=1.0).contains(&alpha) {
            let why = format!("expected an opacity of 0 to 1, found {alpha}");
            return Err(Error::new(ErrorKind::InvalidOperation, why));
        }
        Ok(value(Color::new(color.space(), color.coords(), alpha)))
    });
    environment.add_filter("on_text", |v: Value| {
        Ok::<_, Error>(value(ink_on(color_of(&v)?.to_rgb8()).into()))
    });
    environment.add_filter("mix", |v: Value, other: Value, share: Option<f64>| {
        let share = share.unwrap_or(0.5).clamp(0.0, 1.0);
        Ok::<_, Error>(value(mixed(color_of(&v)?, color_of(&other)?, share)))
    });
}

/// A colour between two in Oklab, opacity with it.
fn mixed(a: Color, b: Color, share: f64) -> Color {
    let at = |color: Color| color.in_space(Space::Oklab);
    let (from, to) = (at(a), at(b));
    let coords = std::array::from_fn(|i| from[i] + (to[i] - from[i]) * share);
    let alpha = a.alpha() + (b.alpha() - a.alpha()) * share;
    let code: Rgb8 = Color::new(Space::Oklab, coords, 1.0).to_rgb8();
    let opaque = Color::from(code);
    Color::new(opaque.space(), opaque.coords(), alpha)
}

/// Changes of texts, none of which may grow without end.
fn add_texts(environment: &mut Environment<'static>) {
    environment.add_filter("upper", |v: Value| bounded(printed(&v)?.to_uppercase()));
    environment.add_filter("lower", |v: Value| bounded(printed(&v)?.to_lowercase()));
    environment.add_filter("replace", |v: Value, from: String, to: String| {
        let text = printed(&v)?;
        let count = if from.is_empty() {
            text.len() + 1
        } else {
            text.matches(&from).count()
        };
        if text.len() + count.saturating_mul(to.len()) > MAX_TEXT {
            return bounded(" ".repeat(MAX_TEXT + 1));
        }
        Ok(text.replace(&from, &to))
    });
    environment.add_filter("join", |v: Value, between: Option<String>| {
        let between = between.unwrap_or_default();
        let mut out = String::new();
        for (i, item) in v.try_iter()?.enumerate() {
            if i > 0 {
                out.push_str(&between);
            }
            out = bounded(out + &printed(&item)?)?;
        }
        Ok::<_, Error>(out)
    });
}

pub(super) fn add_tests(environment: &mut Environment<'static>) {
    environment.add_test("defined", tests::is_defined);
    environment.add_test("undefined", tests::is_undefined);
    environment.add_test("none", tests::is_none);
    environment.add_test("odd", tests::is_odd);
    environment.add_test("even", tests::is_even);
    environment.add_test("divisibleby", tests::is_divisibleby);
    environment.add_test("startingwith", tests::is_startingwith);
    environment.add_test("endingwith", tests::is_endingwith);
}

/// A colour as another is spelt, with its opacity where it has one of its own.
fn like(v: Value, spelling: String) -> Result<String, Error> {
    let color = color_of(&v)?;
    let opacity = (color.alpha() < 1.0).then_some(color.alpha());
    let code = color.to_rgb8();
    let is_number = spelling.starts_with("0x") || spelling.starts_with("0X");
    let spelt = if is_number {
        respelt_alpha_first(&spelling, code, opacity)
    } else {
        let css = respelt(&spelling, code, opacity);
        css.or_else(|| respelt_call(&spelling, code, opacity))
    };
    spelt.ok_or_else(|| {
        let why = format!("like: expected a colour as it is spelt, found {spelling}");
        Error::new(ErrorKind::InvalidOperation, why)
    })
}
