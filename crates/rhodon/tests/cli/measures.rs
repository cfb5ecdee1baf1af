//! What the measuring commands print, line by line.

use rhodon_color::{Rgb8, contrast_ratio, difference};
use serde_json::{Value, json};

use super::rhodon;

/// Codes spread over all of sRGB, always the same.
fn spread(count: u32) -> Vec<String> {
    (0..count)
        .map(|i| format!("#{:06x}", i.wrapping_mul(0x9e_3779) & 0xff_ffff))
        .collect()
}

#[test]
fn lines_come_back_in_their_order_however_many() {
    let codes = spread(5000);
    let run = rhodon(&["color", "--json"], codes.join("\n"));
    assert_eq!(run.code, 0);
    let lines = run.lines();
    assert_eq!(lines.len(), codes.len());
    for (line, code) in lines.iter().zip(&codes) {
        assert_eq!((&line["input"], &line["hex"]), (&json!(code), &json!(code)));
    }
}

#[test]
fn contrast_and_difference_are_those_of_the_core() {
    let codes = spread(60);
    let input: Vec<String> = codes
        .windows(2)
        .map(|w| json!([w[0], w[1]]).to_string())
        .collect();
    let run = rhodon(&["contrast", "--json"], input.join("\n"));
    for (line, pair) in run.lines().iter().zip(codes.windows(2)) {
        let [a, b] = [&pair[0], &pair[1]].map(|c| c.parse::<Rgb8>().unwrap());
        assert_eq!(
            line["ratio"].as_f64(),
            Some(contrast_ratio(a, b)),
            "{pair:?}"
        );
        assert_eq!(
            line["difference"].as_f64(),
            Some(difference(a, b)),
            "{pair:?}"
        );
    }
    let two = rhodon(&["contrast", "--json", "white", "black"], "");
    assert_eq!(
        (two.code, two.lines()[0]["ratio"].as_f64()),
        (0, Some(21.0))
    );
}

#[test]
fn a_scale_says_how_readable_each_step_is() {
    let run = rhodon(&["scale", "--json"], spread(40).join("\n"));
    assert_eq!(run.code, 0);
    for line in run.lines() {
        let steps = line["steps"].as_array().unwrap();
        assert_eq!(steps.len(), 11);
        assert_eq!(steps.iter().filter(|s| s["pinned"] == true).count(), 1);
        for step in steps {
            let code: Rgb8 = step["hex"].as_str().unwrap().parse().unwrap();
            assert_eq!(
                step["onWhite"].as_f64(),
                Some(contrast_ratio(code, Rgb8::WHITE))
            );
            assert_eq!(
                step["onBlack"].as_f64(),
                Some(contrast_ratio(code, Rgb8::BLACK))
            );
            assert_eq!(step["lightness"].as_f64(), Some(code.lightness()));
        }
    }
}

#[test]
fn an_aligned_scale_is_the_same_lightness_in_every_hue() {
    let run = rhodon(
        &["scale", "--json", "--method", "aligned"],
        "#0f5c7a\n#e4572e\n#8a9a2b\n",
    );
    let lightness = |line: &Value, i: usize| line["steps"][i]["lightness"].as_f64().unwrap();
    let lines = run.lines();
    for i in 0..11 {
        let free: Vec<f64> = lines
            .iter()
            .filter(|l| l["steps"][i]["pinned"] == false)
            .map(|l| lightness(l, i))
            .collect();
        let (least, most) = free
            .iter()
            .fold((f64::MAX, f64::MIN), |(a, b), l| (a.min(*l), b.max(*l)));
        assert!(most - least < 0.5, "step {i}: {free:?}");
    }
}

#[test]
fn a_turn_is_taken_with_its_sign() {
    let hue = |turn: &str| {
        let run = rhodon(&["scale", "--json", "--turn", turn, "#0f5c7a"], "");
        run.lines()[0]["steps"][9]["oklch"][2].as_f64().unwrap()
    };
    assert!(hue("-15") < hue("0") && hue("0") < hue("15"));
}

#[test]
fn what_people_read_names_the_same_values() {
    for (args, words) in [
        (&["color", "teal"][..], &["#008080"][..]),
        (&["contrast", "white", "#767676"], &["4.54"]),
        (&["scale", "#0f5c7a"], &["600", "#0f5c7a", "950"]),
        (&["companions", "--relation", "triad", "#0f5c7a"], &["#"]),
        (
            &["derive", "brindle-sound-ferries.rhodon.json"],
            &["primary.fill", "#0f5c7a", "surface.base"],
        ),
        (
            &["targets"],
            &["css", "kotlin", "Asset catalogue and Swift"],
        ),
        (
            &["new", "--brands", "#0f5c7a"],
            &["\"format\": 1", "\"#0f5c7a\""],
        ),
    ] {
        let run = rhodon(args, "");
        assert_eq!((run.code, run.err.as_str()), (0, ""), "{args:?}");
        for word in words {
            assert!(run.out.contains(word), "{args:?}: no {word} in {}", run.out);
        }
    }
}

#[test]
fn every_command_explains_itself() {
    let help = rhodon(&["--help"], "");
    assert_eq!(help.code, 0);
    for command in [
        "color",
        "contrast",
        "vision",
        "companions",
        "scale",
        "derive",
        "export",
        "targets",
        "import",
        "new",
        "schema",
        "openapi",
        "serve",
    ] {
        assert!(help.out.contains(&format!("  {command} ")), "{command}");
        let own = rhodon(&[command, "--help"], "");
        assert_eq!(own.code, 0, "{command}");
        assert!(own.out.contains("Usage: rhodon"), "{command}: {}", own.out);
    }
    assert!(rhodon(&["--version"], "").out.starts_with("rhodon "));
}

#[test]
fn the_description_of_the_server_is_json() {
    let run = rhodon(&["openapi"], "");
    let document: Value = serde_json::from_str(&run.out).unwrap();
    assert!(document["openapi"].as_str().unwrap().starts_with("3."));
    assert!(document["paths"]["/api/export"]["post"].is_object());
}

#[test]
fn brands_of_one_to_eight_colours_are_themes() {
    let line = spread(8).join("\t");
    let run = rhodon(
        &["derive", "--json", "--brands"],
        format!("{}\n{line}\n", "#0f5c7a"),
    );
    assert_eq!(run.code, 0, "{}", run.err);
    for (line, brand) in run
        .lines()
        .iter()
        .zip([&["#0f5c7a".to_owned()][..], &spread(8)])
    {
        for color in brand {
            let found = line["tokens"]
                .as_array()
                .unwrap()
                .iter()
                .any(|t| t["value"] == json!(color));
            assert!(found, "{color} is in no token");
        }
        assert!(
            line["pairs"]
                .as_array()
                .unwrap()
                .iter()
                .all(|p| p["pass"] == true)
        );
    }
    let arguments = rhodon(&["derive", "--json", "--brands", "#0f5c7a", "#e4572e"], "");
    assert_eq!(arguments.lines().len(), 1, "arguments are one brand");
}
