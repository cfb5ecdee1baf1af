//! `font`, which sets several properties at once (CSS Fonts 4, 2.7).

/// What it sets, as far as the theme knows it: the weight, the size and the families.
pub(crate) fn parts(value: &str) -> Vec<(&'static str, &str)> {
    let mut parts = Vec::new();
    let mut rest = value.trim_start();
    while let Some((part, behind)) = rest.split_once(char::is_whitespace) {
        rest = behind.trim_start();
        if is_weight(part) {
            parts.push(("font-weight", part));
        } else if is_size(part) {
            let size = part.split('/').next().unwrap_or(part);
            parts.push(("font-size", size));
            // The height of a line may stand apart.
            let apart = rest
                .strip_prefix('/')
                .or(part.ends_with('/').then_some(rest));
            let families = match apart {
                Some(height) => height
                    .trim_start()
                    .split_once(char::is_whitespace)
                    .map(|(_, rest)| rest),
                None => Some(rest),
            };
            parts.extend(families.map(|families| ("font-family", families)));
            break;
        }
    }
    parts
}

fn is_weight(part: &str) -> bool {
    part == "bold" || part.parse::<u16>().is_ok()
}

fn is_size(part: &str) -> bool {
    let size = part.split('/').next().unwrap_or(part);
    let begins = size.starts_with(|c: char| c.is_ascii_digit() || c == '.');
    let named = ["small", "medium", "large", "smaller", "larger"].contains(&size);
    named || begins && size.ends_with(|c: char| c.is_ascii_alphabetic() || c == '%')
}

#[cfg(test)]
mod tests {
    use super::parts;

    #[test]
    fn the_size_parts_what_stands_before_from_the_families() {
        let all = [
            ("font-weight", "700"),
            ("font-size", "1.5rem"),
            ("font-family", "'Anlow Display', serif"),
        ];
        for value in [
            "italic 700 1.5rem 'Anlow Display', serif",
            "700 1.5rem/1.2 'Anlow Display', serif",
            "700 1.5rem / 1.2 'Anlow Display', serif",
            "700 1.5rem/ 1.2 'Anlow Display', serif",
        ] {
            assert_eq!(parts(value), all, "{value}");
        }
        assert_eq!(parts("inherit"), []);
        assert_eq!(parts("caption"), []);
    }
}
