//! Sets of colours: kept, changed, found by words, owner and nearness, shared, forgotten.
#![allow(clippy::unwrap_used)]

use rhodon_color::{Oklab, Rgb8};
use rhodon_store::{SetContent, SetOrder, SetQuery, SharedAs, Store, StoreError};
use rhodon_testing::fresh_database;

async fn store() -> Store {
    let store = Store::connect(&fresh_database("sets").await).await.unwrap();
    store.migrate().await.unwrap();
    store
}

fn lab(hex: &str) -> [f64; 3] {
    let lab = Oklab::from_linear(hex.parse::<Rgb8>().unwrap().to_linear());
    [lab.l, lab.a, lab.b]
}

fn set(name: &str, words: &str, owner: &str, codes: &[&str]) -> SetContent {
    SetContent {
        name: name.to_owned(),
        words: words.split(' ').map(str::to_owned).collect(),
        note: String::new(),
        owner: owner.to_owned(),
        colors: codes
            .iter()
            .map(|hex| (format!("{name} {hex}"), (*hex).to_owned(), lab(hex)))
            .collect(),
    }
}

async fn names(store: &Store, query: SetQuery) -> Vec<String> {
    let page = store.sets(&query).await.unwrap();
    page.sets.into_iter().map(|s| s.name).collect()
}

#[tokio::test]
async fn sets_are_found_by_words_by_owner_and_by_nearness() {
    let store = store().await;
    let kept = [
        set("Kelp", "green calm", "Ines", &["#2f6f4f", "#88b090"]),
        set("Signal", "warm", "Tove", &["#e8432e", "#ffffff"]),
        set(
            "Kelp at dusk",
            "green dark",
            "Tove",
            &["#1f3f3f", "#e8432e"],
        ),
    ];
    for one in &kept {
        store.keep_set(one).await.unwrap();
    }
    let of = |query| names(&store, query);
    assert_eq!(
        of(SetQuery::default()).await,
        ["Kelp at dusk", "Signal", "Kelp"]
    );
    let word = |word: &str| SetQuery {
        word: word.to_owned(),
        ..SetQuery::default()
    };
    assert_eq!(of(word("KEL dus")).await, ["Kelp at dusk"]);
    assert_eq!(of(word("elp")).await, [] as [&str; 0]);
    assert_eq!(
        of(word("'); drop table color_set; --")).await,
        [] as [&str; 0]
    );
    let owner = SetQuery {
        owner: "tove".to_owned(),
        ..word("green")
    };
    assert_eq!(of(owner).await, ["Kelp at dusk"]);
    let near = |codes: &[&str]| SetQuery {
        near: codes.iter().map(|c| lab(c)).collect(),
        ..SetQuery::default()
    };
    assert_eq!(
        of(near(&["#2f6f50"])).await,
        ["Kelp", "Kelp at dusk", "Signal"]
    );
    assert_eq!(of(near(&["#ffffff", "#e8432f"])).await[0], "Signal");
    let both = SetQuery {
        owner: "Tove".to_owned(),
        ..near(&["#2f6f50"])
    };
    assert_eq!(of(both).await, ["Kelp at dusk", "Signal"]);
}

#[tokio::test]
async fn pages_follow_each_other_and_a_random_order_holds_every_set_once() {
    let store = store().await;
    for i in 0..60 {
        let name = format!("Set {i}");
        store
            .keep_set(&set(&name, "many", "Ines", &["#0f5c7a"]))
            .await
            .unwrap();
    }
    for order in [SetOrder::Newest, SetOrder::Random(u64::MAX / 3)] {
        let mut seen = std::collections::HashSet::new();
        for page in 1..=3 {
            let query = SetQuery {
                order,
                page,
                ..SetQuery::default()
            };
            let found = store.sets(&query).await.unwrap();
            assert_eq!((found.page, found.pages, found.total), (page, 3, 60));
            seen.extend(found.sets.into_iter().map(|s| s.id));
        }
        assert_eq!(seen.len(), 60);
    }
    let at = |seed| SetQuery {
        order: SetOrder::Random(seed),
        ..SetQuery::default()
    };
    let first = names(&store, at(1 << 62)).await;
    assert_eq!(first, names(&store, at(1 << 62)).await);
    assert_ne!(first, names(&store, at(u64::MAX / 5 * 4)).await);
}

#[tokio::test]
async fn a_set_is_changed_shared_and_forgotten() {
    let store = store().await;
    let kept = store
        .keep_set(&set("Kelp", "green", "Ines", &["#2f6f4f"]))
        .await
        .unwrap();
    let shared = SharedAs {
        id: "s1".to_owned(),
        key: "k".to_owned(),
    };
    store
        .mark_shared(kept.id, Some(shared.clone()))
        .await
        .unwrap();
    let other = set("Wrack", "brown", "Ines", &["#6b4a2f", "#ffffff"]);
    let changed = store.change_set(kept.id, &other).await.unwrap();
    assert_eq!(
        (changed.name.as_str(), changed.created_at),
        ("Wrack", kept.created_at)
    );
    // What it was is not found any more, and that it is shared is not forgotten.
    let near = SetQuery {
        near: vec![lab("#2f6f4f")],
        ..SetQuery::default()
    };
    assert_eq!(store.sets(&near).await.unwrap().sets[0].colors.len(), 2);
    assert_eq!(store.set(kept.id).await.unwrap().shared, Some(shared));
    assert_eq!(store.mark_shared(kept.id, None).await.unwrap().shared, None);
    store.remove_set(kept.id).await.unwrap();
    assert_eq!(store.sets(&near).await.unwrap().total, 0);
    let missing = store.set(kept.id).await;
    assert!(matches!(missing, Err(StoreError::NoSet(id)) if id == kept.id));
    assert!(store.remove_set(kept.id).await.is_err());
    assert!(store.change_set(kept.id, &other).await.is_err());
}
