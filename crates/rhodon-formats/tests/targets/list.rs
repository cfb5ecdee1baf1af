//! The list of targets, walked as a whole.

use std::collections::HashSet;

use insta::assert_snapshot;
use rhodon_formats::{Group, TARGETS, find};

use super::support::{demo, parse, theme};

#[test]
fn the_list_of_targets_is_sound() {
    let (mut ids, mut names, mut files) = (HashSet::new(), HashSet::new(), HashSet::new());
    let demo = demo();
    for target in TARGETS {
        assert!(
            ids.insert(target.id) && names.insert(target.name),
            "{} twice",
            target.id
        );
        assert!(
            target
                .id
                .bytes()
                .all(|b| b.is_ascii_lowercase() || b == b'-'),
            "{}",
            target.id
        );
        assert!(
            !target.name.is_empty() && target.usage.ends_with('.'),
            "{}",
            target.id
        );
        assert!(
            !target.keys.is_empty(),
            "{} can be searched for by a key",
            target.id
        );
        for file in target.files {
            assert!(files.insert(file), "{file} is written by two targets");
        }
        let mut keys = HashSet::new();
        for option in target.options {
            assert!(
                keys.insert(option.key),
                "{}: {} twice",
                target.id,
                option.key
            );
            assert!(option.help.ends_with('.'), "{}: {}", target.id, option.key);
        }
        // The defaults are valid settings, and the files are those that were announced.
        let written: Vec<String> = demo
            .files(target.id, &[])
            .into_iter()
            .map(|f| f.path)
            .collect();
        let mut announced: Vec<&str> = Vec::new();
        for path in &written {
            let pattern = target.files.iter().find(|f| fits(f, path));
            let pattern = pattern.unwrap_or_else(|| panic!("{} was not announced", path));
            if announced.last() != Some(pattern) {
                announced.push(pattern);
            }
        }
        assert_eq!(announced, target.files, "{}", target.id);
    }
}

/// Whether a path is an announced one, where `…` stands for a name.
fn fits(announced: &str, path: &str) -> bool {
    match announced.split_once('…') {
        None => announced == path,
        Some((before, after)) => {
            path.starts_with(before)
                && path.ends_with(after)
                && path.len() > before.len() + after.len()
        }
    }
}

#[test]
fn targets_stand_by_kind() {
    let groups: Vec<Group> = TARGETS.iter().map(|t| t.group).collect();
    let mut runs = groups.clone();
    runs.dedup();
    assert_eq!(
        runs,
        [
            Group::Web,
            Group::Frameworks,
            Group::Apps,
            Group::Sites,
            Group::Records
        ]
    );
}

#[test]
fn no_two_targets_write_the_same_path() {
    let mut owners = std::collections::HashMap::new();
    let demo = demo();
    for target in TARGETS {
        for file in demo.files(target.id, &[]) {
            if let Some(other) = owners.insert(file.path.clone(), target.id) {
                panic!("{} is written by {other} and {}", file.path, target.id);
            }
        }
    }
}

/// The demo theme in every target, as people read it. Long lists are cut to their ends.
#[test]
fn the_demo_in_every_target() {
    let demo = demo();
    for target in TARGETS {
        let files = demo.files(target.id, &[]);
        let shown: String = files
            .iter()
            .filter(|f| !f.path.contains(".colorset/") || f.path.contains("/primaryFill."))
            .map(|f| format!("==> {}\n{}", f.path, excerpt(&f.text)))
            .collect();
        assert_snapshot!(target.id, shown);
    }
}

/// All of a short file; of a long one what stands at its head, in its middle and at its end.
fn excerpt(text: &str) -> String {
    const PART: usize = 60;
    let lines: Vec<&str> = text.lines().collect();
    if lines.len() <= PART * 3 {
        return text.to_owned();
    }
    let middle = lines.len() / 2 - PART / 2;
    let parts = [
        &lines[..PART],
        &lines[middle..middle + PART],
        &lines[lines.len() - PART..],
    ];
    parts.map(|p| p.join("\n")).join("\n[…]\n") + "\n"
}

#[test]
fn every_file_of_the_demo_is_read_by_a_parser_of_its_kind() {
    let demo = demo();
    for target in TARGETS {
        for file in demo.files(target.id, &[]) {
            parse(&file).unwrap();
        }
    }
}

#[test]
fn the_same_theme_gives_the_same_bytes() {
    let (once, again) = (demo(), demo());
    for target in TARGETS {
        assert_eq!(
            once.files(target.id, &[]),
            again.files(target.id, &[]),
            "{}",
            target.id
        );
    }
}

/// Every value of every choice, each alone.
#[test]
fn every_choice_writes_files_that_parse() {
    let demo = demo();
    for target in TARGETS {
        for option in target.options {
            for word in option.kind.choices() {
                for file in demo.files(target.id, &[(option.key, word)]) {
                    parse(&file)
                        .unwrap_or_else(|e| panic!("{} {}={word}: {e}", target.id, option.key));
                }
            }
        }
    }
}

/// What a token is called is a name that the files define.
#[test]
fn names_are_those_of_the_files() {
    let demo = demo();
    for target in TARGETS.iter().filter(|t| t.has_names()) {
        let all: String = demo
            .files(target.id, &[])
            .into_iter()
            .map(|f| f.text)
            .collect();
        for (path, name) in target.names(&demo.derived, &target.settings([]).unwrap()) {
            // The last word of `LightColors.primaryFill`, `var(--primary-fill)` or `@color/primary_fill`.
            let last = name
                .trim_end_matches([')', '"', '}'])
                .rsplit(['.', '/', '(', '"', '$', '@', '{'])
                .next()
                .unwrap();
            let word = if matches!(target.id, "pairs") {
                path
            } else {
                last
            };
            assert!(
                all.contains(word),
                "{}: {name} is not in its files",
                target.id
            );
        }
    }
    let name = |id: &str, path: &str| {
        let target = find(id).unwrap();
        let all = target.names(&demo.derived, &target.settings([]).unwrap());
        all.into_iter().find(|(p, _)| *p == path).unwrap().1
    };
    assert_eq!(name("sass", "primary.fill"), "$primary-fill");
    assert_eq!(name("android", "type.size.body"), "@dimen/type_size_body");
    assert_eq!(name("kotlin", "surface.base"), "LightColors.surfaceBase");
    assert_eq!(
        name("apple", "shape.radius.small"),
        "ThemeMeasures.shapeRadiusSmall"
    );
    assert_eq!(name("utility-css", "type.size.title"), "var(--text-title)");
}

/// The page of the documentation is true of every target.
#[test]
fn the_page_of_the_handoff_lists_every_target() {
    let page = include_str!("../../../../docs/handoff.md");
    for target in TARGETS {
        let line = page
            .lines()
            .find(|l| l.starts_with(&format!("| `{}` | {} |", target.id, target.name)));
        let line = line.unwrap_or_else(|| panic!("{} is missing", target.id));
        let quoted: Vec<&str> = line.split('`').skip(1).step_by(2).collect();
        let keys = target.options.iter().map(|o| o.key);
        let expected: Vec<&str> = std::iter::once(target.id)
            .chain(target.files.iter().copied())
            .chain(keys)
            .collect();
        assert_eq!(quoted, expected);
    }
}

#[test]
fn settings_are_checked() {
    let demo = demo();
    for (target, key, value, message) in [
        (
            "css",
            "mode",
            "night",
            "option mode: expected one of auto, attribute, class, function, found \"night\"",
        ),
        (
            "css",
            "prefix",
            "a b",
            "option prefix: expected letters, digits and hyphens, starting with a letter, found \"a b\"",
        ),
        (
            "css",
            "groups",
            "roles,x",
            "option groups: expected all, or some of scales, roles, own, type, shape separated by commas, found \"roles,x\"",
        ),
        (
            "css",
            "colour",
            "x",
            "unknown option \"colour\": expected one of mode, format, references, prefix, groups",
        ),
        (
            "css-classes",
            "text",
            "text-",
            "option text: expected letters, digits, hyphens and underscores around one {name}, found \"text-\"",
        ),
        (
            "react-theme",
            "augment",
            "a\"b",
            "option augment: expected letters, digits and . _ - / : @, at most 120, found \"a\"b\"",
        ),
        (
            "utility-js",
            "keep",
            "a,,b",
            "option keep: expected names of letters, digits and hyphens separated by commas, found \"a,,b\"",
        ),
        (
            "kotlin",
            "package",
            "bsf..theme",
            "option package: expected names of letters, digits and underscores joined by dots, none a word of the language, found \"bsf..theme\"",
        ),
        (
            "kotlin",
            "package",
            "bsf.object.theme",
            "option package: expected names of letters, digits and underscores joined by dots, none a word of the language, found \"bsf.object.theme\"",
        ),
        (
            "android",
            "style",
            "",
            "option style: expected names of letters, digits and underscores joined by dots, found \"\"",
        ),
        ("sheet", "x", "y", "unknown option \"x\": expected one of "),
    ] {
        assert_eq!(
            demo.export(target, &[(key, value)])
                .unwrap_err()
                .to_string(),
            message
        );
    }
    let unknown = find("cs").unwrap_err().to_string();
    assert!(
        unknown.starts_with("unknown target \"cs\": expected one of css, css-classes,"),
        "{unknown}"
    );
}

#[test]
fn what_is_kept_for_other_programs_is_named_where_it_has_no_place() {
    let kept = theme(
        serde_json::json!({ "kept": { "motion.quick": { "$type": "duration", "$value": { "value": 120, "unit": "ms" } } } }),
    );
    for target in TARGETS {
        let warned = kept
            .export(target.id, &[])
            .unwrap()
            .warnings
            .iter()
            .any(|w| w.token == "motion.quick");
        assert_eq!(
            warned,
            !matches!(target.id, "tokens" | "spec"),
            "{}",
            target.id
        );
    }
    assert!(kept.text("tokens", &[]).contains("\"duration\""));
}
