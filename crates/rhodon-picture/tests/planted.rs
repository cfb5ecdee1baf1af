//! Pictures with colours planted in them: what was planted is found.
#![allow(clippy::unwrap_used)]

mod support;

use rhodon_color::{Rgb8, difference};
use rhodon_picture::{Lean, Picture};
use support::{Kind, Planted, exif_turned, jpeg, plant, png, webp};

/// CIEDE2000 up to which a colour counts as found.
const HIT: f64 = 6.0;

fn hits(planted: &[Rgb8], bytes: &[u8]) -> usize {
    let picture = Picture::read(bytes).unwrap();
    let found = picture.colors(8, None);
    let is_found = |p: &&Rgb8| found.iter().any(|f| difference(f.color, **p) <= HIT);
    planted.iter().filter(is_found).count()
}

#[test]
fn of_two_hundred_pictures_nearly_every_planted_colour_is_among_eight() {
    let (mut hit, mut all) = (0, 0);
    let mut missed = Vec::new();
    for seed in 0..200 {
        let kind = [Kind::Mark, Kind::Photo, Kind::Phone, Kind::Photo][seed as usize % 4];
        let Planted { image, colors } = plant(seed, kind);
        let bytes = match kind {
            Kind::Mark => png(&image),
            Kind::Photo if seed % 8 < 4 => webp(&image),
            Kind::Photo => jpeg(&image, 88),
            Kind::Phone => exif_turned(&jpeg(&image, 88), 6),
        };
        let found = hits(&colors, &bytes);
        if found < colors.len() {
            missed.push((seed, colors.len() - found));
        }
        hit += found;
        all += colors.len();
    }
    let share = hit as f64 / f64::from(all as u32);
    println!("{hit} of {all}, missed in {missed:?}");
    assert!(share >= 0.98, "{hit} of {all} found; missed in {missed:?}");
}

#[test]
fn a_flat_mark_keeps_its_codes_and_its_spots_stand_on_them() {
    for seed in 0..20 {
        let Planted { image, colors } = plant(seed, Kind::Mark);
        let picture = Picture::read(&png(&image)).unwrap();
        let found = picture.colors(8, None);
        for color in colors {
            let own = found.iter().find(|f| f.color == color);
            let own = own.unwrap_or_else(|| panic!("{seed}: {color} is not exact"));
            assert_eq!(
                picture.at(own.x, own.y, 0.0),
                Some(color),
                "{seed}: spot of {color}"
            );
            assert_eq!(
                picture.at(own.x, own.y, 0.01),
                Some(color),
                "{seed}: around {color}"
            );
        }
    }
}

#[test]
fn what_is_transparent_counts_for_nothing() {
    let Planted { image, colors } = plant(4, Kind::Mark);
    let found = Picture::read(&png(&image)).unwrap().colors(12, None);
    assert!(found.iter().all(|f| f.color != Rgb8::WHITE), "{found:?}");
    let share: f64 = found.iter().map(|f| f.share).sum();
    assert!((share - 1.0).abs() < 1e-3, "{share} of {}", colors.len());
}

#[test]
fn the_same_picture_gives_the_same_colours_and_a_lean_leans() {
    let picture = Picture::read(&jpeg(&plant(9, Kind::Photo).image, 88)).unwrap();
    assert_eq!(picture.colors(8, None), picture.colors(8, None));
    let mean = |lean: Lean, of: fn(Rgb8) -> f64| {
        let found = picture.colors(4, Some(lean));
        found.iter().map(|f| of(f.color)).sum::<f64>() / found.len() as f64
    };
    let (lightness, strength) = (Rgb8::lightness, |c: Rgb8| c.to_oklch().c);
    assert!(mean(Lean::Lighter, lightness) > mean(Lean::Darker, lightness) + 15.0);
    assert!(mean(Lean::Stronger, strength) > mean(Lean::Softer, strength) + 0.03);
}

#[test]
fn what_is_kept_gives_the_same_colours_again() {
    let picture = Picture::read(&jpeg(&plant(13, Kind::Photo).image, 88)).unwrap();
    let kept = Picture::read(&picture.to_webp()).unwrap();
    assert_eq!(picture.colors(8, None), kept.colors(8, None));
}
