//! Two servers on one database that change who extends whom at the same moment, again and again:
//! whatever comes first, no theme extends itself, what is gone, or a stranger. The number of rounds
//! can be raised: `RHODON_ROUNDS=200 cargo test -p rhodon-store --test races`.
#![allow(clippy::unwrap_used)]

use std::sync::Arc;

use rhodon_color::Color;
use rhodon_store::{Children, Save, Saved, Store, StoreError};
use rhodon_testing::fresh_database;
use rhodon_theme::{Document, Slug};
use tokio::sync::Barrier;

fn rounds() -> usize {
    std::env::var("RHODON_ROUNDS")
        .ok()
        .and_then(|n| n.parse().ok())
        .unwrap_or(12)
}

/// Two servers on one new database.
async fn servers() -> [Store; 2] {
    let url = fresh_database("races").await;
    let [a, b] = [
        Store::connect(&url).await.unwrap(),
        Store::connect(&url).await.unwrap(),
    ];
    a.migrate().await.unwrap();
    [a, b]
}

fn document(name: &str, extends: Option<&str>) -> Document {
    let extends = extends.map(|slug| slug.parse::<Slug>().unwrap());
    Document {
        extends,
        ..Document::from_brand(name, &[Color::parse("#0f5c7a").unwrap()])
    }
}

fn save<'a>(spec: &'a Document, base: i32) -> Save<'a> {
    Save {
        spec,
        label: "changed",
        base,
        topic: None,
    }
}

/// Does both at the same moment.
async fn at_once<A, B>(
    a: impl Future<Output = A> + Send + 'static,
    b: impl Future<Output = B> + Send + 'static,
) -> (A, B)
where
    A: Send + 'static,
    B: Send + 'static,
{
    let barrier = Arc::new(Barrier::new(2));
    let other = barrier.clone();
    let a = tokio::spawn(async move {
        barrier.wait().await;
        a.await
    });
    let b = tokio::spawn(async move {
        other.wait().await;
        b.await
    });
    (a.await.unwrap(), b.await.unwrap())
}

/// Every theme extends nothing, or a theme that is there, and none itself; documents agree with rows.
async fn check(store: &Store) {
    let all = store.list().await.unwrap();
    for (theme, current) in &all {
        let told = current.spec.get("extends").and_then(|v| v.as_str());
        assert_eq!(told, theme.parent.as_deref(), "{}", theme.slug);
        assert_eq!(current.spec["name"], theme.name.as_str());
        let mut line = vec![theme.slug.clone()];
        let mut next = theme.parent.clone();
        while let Some(slug) = next {
            assert!(!line.contains(&slug), "a circle: {line:?} {slug}");
            let parent = all.iter().find(|(t, _)| t.slug == slug);
            let parent = parent.unwrap_or_else(|| panic!("{} is an orphan of {slug}", theme.slug));
            next = parent.0.parent.clone();
            line.push(slug);
        }
    }
}

/// A refusal is a sentence, never a fault of the database.
fn told(result: Result<Saved, StoreError>) {
    if let Err(error) = result {
        assert!(!matches!(error, StoreError::Database(_)), "{error}");
        assert!(error.to_string().len() > 15);
    }
}

#[tokio::test(flavor = "multi_thread")]
async fn two_themes_never_come_to_extend_each_other() {
    let [a, b] = servers().await;
    for n in 0..rounds() {
        let (one, two) = (format!("one-{n}"), format!("two-{n}"));
        a.create(&document(&one, None), "made").await.unwrap();
        a.create(&document(&two, None), "made").await.unwrap();
        let (left, right) = (a.clone(), b.clone());
        let (of_one, of_two) = (document(&one, Some(&two)), document(&two, Some(&one)));
        let (first, second) = at_once(
            async move { left.save(&one, save(&of_one, 1)).await },
            async move { right.save(&two, save(&of_two, 1)).await },
        )
        .await;
        assert!(
            first.is_ok() != second.is_ok(),
            "exactly one of the two is saved"
        );
        told(first);
        told(second);
        check(&b).await;
    }
}

#[tokio::test(flavor = "multi_thread")]
async fn a_child_keeps_its_parent_while_that_one_is_renamed_and_a_stranger_takes_the_name() {
    let [a, b] = servers().await;
    for n in 0..rounds() {
        let (parent, child) = (format!("parent-{n}"), format!("child-{n}"));
        let made = a.create(&document(&parent, None), "made").await.unwrap();
        a.create(&document(&child, Some(&parent)), "made")
            .await
            .unwrap();
        let (left, right) = (a.clone(), b.clone());
        let renamed = document(&format!("renamed-{n}"), None);
        let changed = Document {
            aim: None,
            ..document(&child, Some(&parent))
        };
        let slug = child.clone();
        let (first, second) = at_once(
            {
                let parent = parent.clone();
                async move {
                    let saved = left.save(&parent, save(&renamed, 1)).await;
                    // Somebody else takes the name that is free now.
                    left.create(&document(&parent, None), "stranger")
                        .await
                        .unwrap();
                    saved
                }
            },
            async move { right.save(&slug, save(&changed, 1)).await },
        )
        .await;
        told(first);
        told(second);
        check(&b).await;
        // An open window still holds the old name: it is not adopted by the stranger.
        let now = a.get(&child).await.unwrap();
        let stale = document(&child, Some(&parent));
        let saved = b
            .save(&child, save(&stale, now.revision.number))
            .await
            .unwrap();
        assert_eq!(
            saved.theme.parent.as_deref(),
            Some(format!("renamed-{n}").as_str())
        );
        assert_eq!(
            a.get(&format!("renamed-{n}")).await.unwrap().theme.id,
            made.theme.id
        );
    }
}

#[tokio::test(flavor = "multi_thread")]
async fn a_parent_does_not_go_while_a_child_comes() {
    let [a, b] = servers().await;
    for n in 0..rounds() {
        let (parent, child) = (format!("parent-{n}"), format!("child-{n}"));
        a.create(&document(&parent, None), "made").await.unwrap();
        let (left, right) = (a.clone(), b.clone());
        let of_child = document(&child, Some(&parent));
        let (gone, made) = at_once(
            async move { left.delete(&parent, Children::Refuse).await },
            async move { right.create(&of_child, "made").await },
        )
        .await;
        assert!(gone.is_ok() != made.is_ok(), "one of the two is refused");
        told(made);
        check(&b).await;
    }
}

#[tokio::test(flavor = "multi_thread")]
async fn a_child_that_leaves_while_its_parent_is_renamed_has_no_parent() {
    let [a, b] = servers().await;
    for n in 0..rounds() {
        let (parent, child) = (format!("parent-{n}"), format!("child-{n}"));
        a.create(&document(&parent, None), "made").await.unwrap();
        a.create(&document(&child, Some(&parent)), "made")
            .await
            .unwrap();
        let (left, right) = (a.clone(), b.clone());
        let (free, renamed) = (
            document(&child, None),
            document(&format!("renamed-{n}"), None),
        );
        let slug = child.clone();
        let (first, second) = at_once(
            async move { left.save(&slug, save(&free, 1)).await },
            async move { right.save(&parent, save(&renamed, 1)).await },
        )
        .await;
        first.unwrap();
        second.unwrap();
        check(&a).await;
        assert_eq!(a.get(&child).await.unwrap().theme.parent, None);
    }
}

#[tokio::test(flavor = "multi_thread")]
async fn themes_of_one_name_created_at_once_get_numbers() {
    let [a, b] = servers().await;
    let all: Vec<_> = (0..8)
        .map(|n| {
            let store = if n % 2 == 0 { a.clone() } else { b.clone() };
            tokio::spawn(async move { store.create(&document("Tern", None), "made").await })
        })
        .collect();
    for made in all {
        made.await.unwrap().unwrap();
    }
    let mut slugs: Vec<_> = a
        .list()
        .await
        .unwrap()
        .into_iter()
        .map(|(t, _)| t.slug)
        .collect();
    slugs.sort();
    assert_eq!(slugs[..3], ["tern", "tern-2", "tern-3"]);
    assert_eq!(slugs.len(), 8);
}

#[tokio::test(flavor = "multi_thread")]
async fn two_servers_seed_an_empty_database_once() {
    let [a, b] = servers().await;
    let themes = [document("Parent", None), document("Child", Some("parent"))];
    let others = themes.clone();
    let (first, second) = at_once(
        async move { a.seed(&themes, "demo data").await.map(|()| a) },
        async move { b.seed(&others, "demo data").await },
    )
    .await;
    second.unwrap();
    assert_eq!(first.unwrap().list().await.unwrap().len(), 2);
}

#[tokio::test]
async fn an_undo_does_not_bring_back_a_parent_that_is_gone() {
    let [a, _] = servers().await;
    a.create(&document("Parent", None), "made").await.unwrap();
    a.create(&document("Child", Some("parent")), "made")
        .await
        .unwrap();
    a.save("child", save(&document("Child", None), 1))
        .await
        .unwrap();
    a.delete("parent", Children::Refuse).await.unwrap();
    let refused = a.undo("child", 2).await.unwrap_err().to_string();
    assert_eq!(
        refused,
        "the theme that \"child\" extends is deleted: bring that one back first"
    );
    check(&a).await;
}

#[tokio::test]
async fn children_are_set_free_with_what_they_had_or_go_too() {
    let [a, _] = servers().await;
    let parent = Document::from_brand("Parent", &[Color::parse("#e4572e").unwrap()]);
    a.create(&parent, "made").await.unwrap();
    let child = Document {
        extends: Some("parent".parse().unwrap()),
        name: "Child".to_owned(),
        ..Document::empty()
    };
    a.create(&child, "made").await.unwrap();
    let refused = a
        .delete("parent", Children::Refuse)
        .await
        .unwrap_err()
        .to_string();
    assert_eq!(
        refused,
        "\"Parent\" cannot be deleted while Child extends it"
    );
    a.delete("parent", Children::Free).await.unwrap();
    let free = a.get("child").await.unwrap();
    assert_eq!(free.theme.parent, None);
    assert_eq!(free.revision.label, "set free from Parent");
    assert_eq!(free.revision.spec["brand"][0]["color"], "#e4572e");

    a.create(&document("Grand", None), "made").await.unwrap();
    a.create(&document("Middle", Some("grand")), "made")
        .await
        .unwrap();
    a.create(&document("Young", Some("middle")), "made")
        .await
        .unwrap();
    a.delete("grand", Children::Delete).await.unwrap();
    let gone: Vec<_> = a
        .deleted()
        .await
        .unwrap()
        .into_iter()
        .map(|(t, _)| t.name)
        .collect();
    assert_eq!(gone.len(), 4, "{gone:?}");
    check(&a).await;
}

/// Both were found good by looking at the same family: what one of them writes may be what the other
/// one counted on.
#[tokio::test(flavor = "multi_thread")]
async fn of_two_changes_in_a_family_the_second_is_looked_at_anew() {
    let [a, b] = servers().await;
    for n in 0..rounds() {
        let (parent, child) = (format!("parent-{n}"), format!("child-{n}"));
        a.create(&document(&parent, None), "made").await.unwrap();
        let of_child = document(&child, Some(&parent));
        a.create(&of_child, "made").await.unwrap();
        let of_parent = document(&parent, None);
        let around_parent = a.relatives(Some((&parent, 1)), None).await.unwrap();
        let extends = of_child.extends.as_ref();
        let around_child = b.relatives(Some((&child, 1)), extends).await.unwrap();
        let (left, right) = (a.seeing(around_parent), b.seeing(around_child));
        let (first, second) = at_once(
            async move { left.save(&parent, save(&of_parent, 1)).await },
            async move { right.save(&child, save(&of_child, 1)).await },
        )
        .await;
        assert!(first.is_ok() != second.is_ok(), "one of the two is saved");
        let refused = first.err().or(second.err()).unwrap();
        assert!(matches!(refused, StoreError::RelativesMoved), "{refused}");
    }
}

#[tokio::test(flavor = "multi_thread")]
async fn a_child_does_not_come_to_what_its_parent_was() {
    let [a, b] = servers().await;
    for n in 0..rounds() {
        let (parent, child) = (format!("parent-{n}"), format!("child-{n}"));
        a.create(&document(&parent, None), "made").await.unwrap();
        let of_parent = document(&parent, None);
        let of_child = document(&child, Some(&parent));
        let around_parent = a.relatives(Some((&parent, 1)), None).await.unwrap();
        let around_child = b.relatives(None, of_child.extends.as_ref()).await.unwrap();
        let (left, right) = (a.seeing(around_parent), b.seeing(around_child));
        let (first, second) = at_once(
            async move { left.save(&parent, save(&of_parent, 1)).await },
            async move { right.create(&of_child, "made").await },
        )
        .await;
        assert!(first.is_ok() != second.is_ok(), "one of the two is saved");
        let refused = first.err().or(second.err()).unwrap();
        assert!(matches!(refused, StoreError::RelativesMoved), "{refused}");
    }
}
