//! Options of every target: each does what it says, together too, and the command repeats them.

use proptest::prelude::*;
use rhodon_formats::{File, OptionKind, TARGETS, Target, TargetOption, find};
use rhodon_theme::TokenPath;
use serde_json::json;

use super::support::{Made, demo, parse, theme};

/// A theme with something in every group, so that every option has something to do.
fn rich() -> Made {
    theme(json!({
        "brand": [
            { "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" },
            { "name": "Buoy", "slug": "buoy", "color": "rgb(228 87 46)" }
        ],
        "scales": { "petrol": { "alpha": [16], "wide": true } },
        "tokens": {
            "ferry.wake": { "value": "{petrol.100}", "description": "behind the boat" },
            "ferry.night": { "light": "#d9eef5", "dark": "#021e2c" },
            "gap.wide": { "kind": "dimension", "value": "24px" }
        },
        "type": { "body": ["Anlow Sans", "sans-serif"], "import": "https://fonts.example.test/anlow.css" }
    }))
}

fn text_of(files: &[File]) -> String {
    files
        .iter()
        .map(|f| format!("==> {}\n{}", f.path, f.text))
        .collect()
}

/// A value that differs from the default, by what the option takes.
fn other(option: &TargetOption) -> String {
    match option.kind {
        OptionKind::Choice(words) => words
            .iter()
            .find(|w| **w != option.default)
            .unwrap()
            .to_string(),
        OptionKind::List(words) => words[0].to_owned(),
        OptionKind::Name => "bsf".to_owned(),
        OptionKind::Qualified => "@ferries/theme".to_owned(),
        OptionKind::Dotted(_) => "org.ferries.theme".to_owned(),
        OptionKind::Pattern => format!("own-{}-{{name}}", option.key),
        OptionKind::Names => "slate,zinc".to_owned(),
        OptionKind::Brand => "buoy,lichen".to_owned(),
    }
}

fn options() -> impl Iterator<Item = (&'static Target, &'static TargetOption)> {
    TARGETS
        .iter()
        .flat_map(|t| t.options.iter().map(move |o| (*t, o)))
}

#[test]
fn every_option_changes_what_is_written() {
    let theme = rich();
    for (target, option) in options() {
        // Stock colours can only be kept where they are replaced.
        let with = if option.key == "keep" {
            vec![("stock", "replace")]
        } else {
            vec![]
        };
        let plain = text_of(&theme.files(target.id, &with));
        let set = text_of(&theme.files(
            target.id,
            &[&with[..], &[(option.key, &other(option))]].concat(),
        ));
        assert!(
            plain != set,
            "{} {}={} does nothing",
            target.id,
            option.key,
            other(option)
        );
    }
}

#[test]
fn every_word_of_a_choice_writes_something_of_its_own() {
    let theme = rich();
    for (target, option) in options() {
        let OptionKind::Choice(words) = option.kind else {
            continue;
        };
        let written: Vec<String> = words
            .iter()
            .map(|w| text_of(&theme.files(target.id, &[(option.key, w)])))
            .collect();
        for (i, one) in written.iter().enumerate() {
            for (j, two) in written.iter().enumerate().skip(i + 1) {
                assert!(
                    one != two,
                    "{} {}: {} and {} are one",
                    target.id,
                    option.key,
                    words[i],
                    words[j]
                );
            }
        }
        assert!(
            words.contains(&option.default),
            "{} {}",
            target.id,
            option.key
        );
    }
}

#[test]
fn a_word_of_a_list_takes_away_what_it_does_not_name() {
    let theme = rich();
    for (target, option) in options() {
        let OptionKind::List(words) = option.kind else {
            continue;
        };
        if option.default != "all" {
            continue;
        }
        let all = text_of(&theme.files(target.id, &[])).len();
        for word in words {
            let one = text_of(&theme.files(target.id, &[(option.key, word)])).len();
            assert!(
                one < all,
                "{} {}={word}: {one} of {all} bytes",
                target.id,
                option.key
            );
        }
        let every = words.join(", ");
        let spelt = theme.files(target.id, &[(option.key, &every)]);
        let plain = theme.files(target.id, &[]);
        assert_eq!(spelt.len(), plain.len(), "{}", target.id);
        for (a, b) in spelt.iter().zip(&plain) {
            let body = |f: &File| {
                f.text
                    .lines()
                    .filter(|l| !l.contains(", content "))
                    .collect::<Vec<_>>()
                    .join("\n")
            };
            assert_eq!(
                body(a),
                body(b),
                "{} {}={every} is all",
                target.id,
                option.key
            );
        }
    }
}

#[test]
fn the_default_said_aloud_is_the_default() {
    let theme = rich();
    for (target, option) in options() {
        let plain = theme.files(target.id, &[]);
        assert_eq!(
            plain,
            theme.files(target.id, &[(option.key, option.default)]),
            "{} {}",
            target.id,
            option.key
        );
    }
}

/// What `--set` repeats in a command, as the command line reads it.
fn repeated(command: &str) -> Vec<(String, String)> {
    let words: Vec<&str> = command.split(' ').collect();
    words
        .windows(2)
        .filter(|w| w[0] == "--set")
        .map(|w| {
            let (key, value) = w[1].split_once('=').unwrap();
            (key.to_owned(), value.trim_matches('\'').to_owned())
        })
        .collect()
}

#[test]
fn the_command_of_an_export_writes_the_same_export() {
    let theme = rich();
    for (target, option) in options() {
        let value = other(option);
        let settings = target
            .settings([(option.key.to_owned(), value.clone())])
            .unwrap();
        let command = target.command(&settings, None);
        assert!(
            command.contains(&format!("--target {} ", target.id)),
            "{command}"
        );
        let again = repeated(&command);
        assert_eq!(again, [(option.key.to_owned(), value.clone())], "{command}");
        let set: Vec<(&str, &str)> = again
            .iter()
            .map(|(k, v)| (k.as_str(), v.as_str()))
            .collect();
        assert_eq!(
            theme.files(target.id, &set),
            theme.files(target.id, &[(option.key, &value)]),
            "{command}"
        );
    }
    for target in TARGETS {
        let plain = target.command(&target.settings([]).unwrap(), None);
        assert_eq!(repeated(&plain), [], "{plain} repeats a default");
    }
}

#[test]
fn targets_are_found_by_keys_that_stand_in_their_files() {
    let (demo, rich) = (demo(), rich());
    let mut missing = Vec::new();
    for target in TARGETS {
        let mut all = text_of(&demo.files(target.id, &[])) + &text_of(&rich.files(target.id, &[]));
        for option in target.options {
            all += &text_of(&rich.files(target.id, &[(option.key, &other(option))]));
            for word in option.kind.choices() {
                all += &text_of(&rich.files(target.id, &[(option.key, word)]));
            }
        }
        // A key may be a path, such as theme.extend.colors, whose words stand apart in the file.
        let all = (all + target.usage).to_lowercase();
        let there = |key: &str| {
            let key = key.to_lowercase();
            let mut words = key
                .split(|c: char| !c.is_alphanumeric())
                .filter(|w| !w.is_empty())
                .peekable();
            all.contains(&key) || (words.peek().is_some() && words.all(|w| all.contains(w)))
        };
        missing.extend(
            target
                .keys
                .iter()
                .filter(|k| !there(k))
                .map(|k| (target.id, *k)),
        );
    }
    assert_eq!(missing, [], "keys that no file has");
}

#[test]
fn paths_stay_below_the_folder_they_are_written_to() {
    let theme = rich();
    for target in TARGETS {
        for file in theme.files(target.id, &[]) {
            let parts: Vec<&str> = file.path.split('/').collect();
            let fine = |p: &&str| {
                !p.is_empty() && **p != *"." && **p != *".." && !p.contains(['\\', ':', '\0'])
            };
            assert!(parts.iter().all(fine), "{}: {:?}", target.id, file.path);
            assert!(
                file.text.ends_with('\n') && !file.text.contains('\r'),
                "{}",
                file.path
            );
        }
    }
}

#[test]
fn a_prefix_stands_before_every_name_that_code_uses() {
    let theme = rich();
    let put_in_front = |o: &TargetOption| o.key == "prefix" && o.help.starts_with("Put in front");
    for (target, option) in options().filter(|(t, o)| put_in_front(o) && t.has_names()) {
        let names = |value: &str| {
            let settings = target
                .settings([(option.key.to_owned(), value.to_owned())])
                .unwrap();
            let all = target.names(&theme.derived, &settings);
            all.into_iter()
                .map(|(path, name)| (path.to_owned(), name))
                .collect::<Vec<_>>()
        };
        let mut prefixed = 0;
        for ((path, plain), (_, set)) in names("").iter().zip(&names("bsf")) {
            prefixed += usize::from(plain != set);
            assert!(
                plain == set || set.contains("bsf"),
                "{}: {path} is {set}",
                target.id
            );
        }
        assert!(
            prefixed > 100,
            "{}: {prefixed} names have the prefix",
            target.id
        );
    }
}

#[test]
fn what_a_target_warns_of_is_a_token_of_the_theme() {
    let theme = rich();
    for target in TARGETS {
        let output = theme.export(target.id, &[]).unwrap();
        for warning in &output.warnings {
            let known = theme.derived.token(&warning.token).is_some();
            assert!(known, "{}: {} is no token", target.id, warning.token);
            assert!(
                !warning.message.is_empty() && !warning.message.ends_with('.'),
                "{}",
                warning.message
            );
            assert!(warning.token.parse::<TokenPath>().is_ok());
        }
    }
}

#[test]
fn a_target_is_found_by_its_id_alone() {
    for target in TARGETS {
        assert_eq!(find(target.id).unwrap().id, target.id);
        assert!(find(&target.id.to_uppercase()).is_err());
        assert!(find(&format!(" {}", target.id)).is_err());
    }
    assert!(find("").is_err());
}

proptest! {
    #![proptest_config(rhodon_testing::cases(40))]

    /// All options of a target at once, each with any of its words or another value.
    #[test]
    fn options_go_together(index in 0..TARGETS.len(), picks in prop::collection::vec(0usize..20, 8)) {
        let theme = rich();
        let target = TARGETS[index];
        let set: Vec<(&str, String)> = target.options.iter().zip(&picks).map(|(option, pick)| {
            let words = option.kind.choices();
            // The map's own framework, which declares it, is another one then.
            if option.key == "map" {
                return (option.key, option.default.to_owned());
            }
            (option.key, words.get(pick % (words.len() + 1)).map_or_else(|| other(option), |w| (*w).to_owned()))
        }).collect();
        let set: Vec<(&str, &str)> = set.iter().map(|(k, v)| (*k, v.as_str())).collect();
        for file in theme.files(target.id, &set) {
            if let Err(e) = parse(&file) {
                return Err(TestCaseError::fail(format!("{} {set:?}: {e}", target.id)));
            }
        }
    }
}
