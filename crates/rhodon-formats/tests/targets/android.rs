//! Resources of an Android application, as its platform reads them.

use std::collections::HashMap;

use rhodon_theme::Mode;
use serde_json::json;

use super::apps::plain;
use super::support::{demo, theme};

fn snake(path: &str) -> String {
    path.replace(['.', '-'], "_")
}

/// Colours of a resource file by name.
fn colors(xml: &str) -> HashMap<String, String> {
    let document = roxmltree::Document::parse(xml).unwrap();
    let colors = document.descendants().filter(|n| n.has_tag_name("color"));
    colors
        .map(|n| {
            (
                n.attribute("name").unwrap().to_owned(),
                plain(n.text().unwrap()),
            )
        })
        .collect()
}

#[test]
fn android_has_every_colour_by_day_and_by_night() {
    let demo = demo();
    let files = demo.files("android", &[]);
    let (day, night) = (colors(&files[0].text), colors(&files[1].text));
    for (path, code) in demo.colors(Mode::Light) {
        assert_eq!(day[&snake(path)], code, "{path}");
    }
    for (path, code) in demo.colors(Mode::Dark) {
        assert_eq!(
            night.get(&snake(path)).unwrap_or(&day[&snake(path)]),
            &code,
            "{path}"
        );
    }
}

#[test]
fn the_android_style_refers_only_to_what_is_there_and_leaves_no_bar_behind() {
    let files = demo().files("android", &[("style", "Theme.Ferry")]);
    let (day, night) = (colors(&files[0].text), colors(&files[1].text));
    let older = styled(&files[2].text);
    // Light bars, a colour of errors, and a parent that follows the system's mode, are of later versions.
    let later = ["windowLight", "colorError"];
    assert!(
        older
            .iter()
            .all(|(key, _)| !later.iter().any(|part| key.contains(part)))
    );
    let newest = files
        .iter()
        .find(|f| f.path == "values-v27/themes.xml")
        .unwrap();
    let document = roxmltree::Document::parse(&newest.text).unwrap();
    let style = document
        .descendants()
        .find(|n| n.has_tag_name("style"))
        .unwrap();
    assert_eq!(style.attribute("name"), Some("Theme.Ferry"));
    assert_eq!(style.attribute("parent"), Some("@style/Theme.FerryGround"));
    let mut set = Vec::new();
    for item in style.children().filter(|n| n.has_tag_name("item")) {
        set.push(item.attribute("name").unwrap());
        let text = item.text().unwrap();
        match text.split_once('/') {
            Some(("@color", name)) => {
                assert!(day.contains_key(name) && night.contains_key(name), "{name}")
            }
            Some(("@bool", name)) => {
                assert!(files[..2].iter().all(|f| f.text.contains(name)), "{name}")
            }
            other => panic!("{other:?}"),
        }
    }
    for attribute in [
        "android:statusBarColor",
        "android:navigationBarColor",
        "android:windowLightStatusBar",
        "android:colorError",
    ] {
        assert!(set.contains(&attribute), "{attribute}");
    }
}

/// The parent of a style as the platform picks it: the mode counts before the version.
fn parent_of(files: &[rhodon_formats::File], name: &str, night: bool, version: u32) -> String {
    let rank = |path: &str| {
        let (folder, _) = path.split_once('/')?;
        let since = folder
            .rsplit_once("-v")
            .map_or(Some(0), |(_, v)| v.parse().ok())?;
        let is_night = folder.contains("-night");
        (since <= version && (night || !is_night)).then_some((is_night, since))
    };
    let parent = |text: &str| {
        let document = roxmltree::Document::parse(text).unwrap();
        let mut styles = document.descendants().filter(|n| n.has_tag_name("style"));
        let style = styles.find(|n| n.attribute("name") == Some(name))?;
        Some(style.attribute("parent").unwrap().to_owned())
    };
    let fitting = files
        .iter()
        .filter_map(|f| Some((rank(&f.path)?, parent(&f.text)?)));
    fitting.max_by_key(|(rank, _)| *rank).unwrap().1
}

/// What the style does not name is of the mode too, and a style that a new project has for the night is replaced.
#[test]
fn the_style_builds_on_a_parent_of_the_mode_on_every_version() {
    let files = demo().files("android", &[]);
    assert!(files.iter().any(|f| f.path == "values-night/themes.xml"));
    for (version, night, parent) in [
        (21, false, "android:Theme.Material.Light"),
        (28, false, "android:Theme.Material.Light"),
        (28, true, "android:Theme.Material"),
        (29, false, "android:Theme.DeviceDefault.DayNight"),
        (34, true, "android:Theme.DeviceDefault.DayNight"),
    ] {
        assert_eq!(
            parent_of(&files, "AppTheme", night, version),
            "@style/AppThemeGround"
        );
        assert_eq!(
            parent_of(&files, "AppThemeGround", night, version),
            parent,
            "{version} {night}"
        );
    }
    let own = demo().files("android", &[("parent", "Theme.Support.DayNight")]);
    for night in [false, true] {
        assert_eq!(
            parent_of(&own, "AppThemeGround", night, 28),
            "Theme.Support.DayNight"
        );
    }
}

/// The icons of the system can be seen on both bars, on every version and in both modes: white ones, or dark ones
/// where a version has them and the style asks for them.
#[test]
fn icons_can_be_seen_on_the_bars_of_every_version() {
    for bar in ["#0f5c7a", "#f4e9d8", "#101418"] {
        let roles = json!({ "roles": { "bar.fill": { "light": bar } } });
        let files = theme(roles).files("android", &[]);
        let modes = [colors(&files[0].text), colors(&files[1].text)];
        let bools = [bools(&files[0].text), bools(&files[1].text)];
        for file in files[2..].iter().filter(|f| f.text.contains("<item")) {
            let items: HashMap<String, String> = styled(&file.text).into_iter().collect();
            for (color, light) in [
                ("android:statusBarColor", "android:windowLightStatusBar"),
                (
                    "android:navigationBarColor",
                    "android:windowLightNavigationBar",
                ),
            ] {
                for (night, bools) in modes.iter().zip(&bools) {
                    let fill = match items[color].strip_prefix("@color/") {
                        Some(name) => night.get(name).unwrap_or(&modes[0][name]).clone(),
                        None => "#000000".to_owned(),
                    };
                    let is_light = items.get(light).map(|name| bools[&name["@bool/".len()..]]);
                    let icons = if is_light == Some(true) {
                        "#000000"
                    } else {
                        "#ffffff"
                    };
                    let [fill, icons] = [&*fill, icons].map(|code| code.parse().unwrap());
                    let ratio = rhodon_color::contrast_ratio(fill, icons);
                    assert!(ratio >= 3.0, "{}: {color} {fill}: {ratio}", file.path);
                }
            }
        }
    }
}

/// Switches of a resource file by name.
fn bools(xml: &str) -> HashMap<String, bool> {
    let document = roxmltree::Document::parse(xml).unwrap();
    let bools = document.descendants().filter(|n| n.has_tag_name("bool"));
    let read = |n: roxmltree::Node<'_, '_>| {
        let name = n.attribute("name").unwrap().to_owned();
        (name, n.text() == Some("true"))
    };
    bools.map(read).collect()
}

/// Attributes of the first style of a file.
fn styled(xml: &str) -> Vec<(String, String)> {
    let document = roxmltree::Document::parse(xml).unwrap();
    let items = document.descendants().filter(|n| n.has_tag_name("item"));
    let pair =
        |n: roxmltree::Node<'_, '_>| Some((n.attribute("name")?.to_owned(), n.text()?.to_owned()));
    items.filter_map(pair).collect()
}

/// A parent of the usual support library gets that library's attributes.
#[test]
fn the_support_library_has_attributes_without_a_prefix() {
    let set = [("parent", "Theme.Support.DayNight.NoActionBar")];
    let files = demo().files("android", &set);
    for file in files[2..].iter().filter(|f| f.text.contains("<item")) {
        let items = styled(&file.text);
        let value = |key: &str| {
            items
                .iter()
                .find(|(k, _)| k == key)
                .map(|(_, v)| v.as_str())
        };
        assert_eq!(value("colorPrimary"), Some("@color/primary_fill"));
        assert_eq!(value("colorOnPrimary"), Some("@color/primary_fill_text"));
        assert_eq!(value("android:colorPrimary"), None);
        assert_eq!(value("android:statusBarColor"), Some("@color/bar_fill"));
    }
}

/// A list of faces is no resource; sizes of text that were relative to the reader's stay so.
#[test]
fn faces_are_left_out_of_android_and_said_so() {
    let theme = theme(
        json!({ "tokens": { "ferry.gap": { "kind": "dimension", "value": "4px" }, "ferry.note": { "kind": "dimension", "value": "0.75rem" } } }),
    );
    let output = theme.export("android", &[]).unwrap();
    let told = output
        .warnings
        .iter()
        .any(|w| w.token == "type.family.body" && w.message.contains("font files"));
    let text = &output.files[2].text;
    assert!(told && !text.contains("type_family_body"));
    assert!(text.contains("<dimen name=\"ferry_gap\">4dp</dimen>"));
    assert!(text.contains("<dimen name=\"ferry_note\">12sp</dimen>"));
}
