//! Sets of colours: kept, found by word, owner and nearness, and shared.

use std::fmt::Write;

use chrono::{DateTime, Utc};
use sea_orm::ActiveValue::{NotSet, Set};
use sea_orm::{
    ActiveModelTrait, ColumnTrait, ConnectionTrait, DatabaseTransaction, DbBackend, EntityTrait,
    QueryFilter, Statement, Value,
};
use serde_json::json;
use uuid::Uuid;

use crate::entity::color_set;
use crate::error::Result;
use crate::error::StoreError;
use crate::pool::commit;
use crate::store::Store;

/// Sets of one page.
const PAGE: u64 = 24;
/// How many of the nearest points of a colour are looked at: sets that are near are among them.
const NEAREST: u32 = 60;

/// What a set says.
#[derive(Clone, Debug, PartialEq)]
pub struct SetContent {
    /// Its name.
    pub name: String,
    /// Words to find it by.
    pub words: Vec<String>,
    /// A note.
    pub note: String,
    /// Who made it.
    pub owner: String,
    /// Name, code and place in Oklab of each colour.
    pub colors: Vec<(String, String, [f64; 3])>,
}

/// A set that is kept.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct SetRecord {
    /// Identity.
    pub id: Uuid,
    /// Its name.
    pub name: String,
    /// Words to find it by.
    pub words: Vec<String>,
    /// A note.
    pub note: String,
    /// Who made it.
    pub owner: String,
    /// Name and code of each colour.
    pub colors: Vec<(String, String)>,
    /// How the community knows it, where it is shared.
    pub shared: Option<SharedAs>,
    /// When it was kept first.
    pub created_at: DateTime<Utc>,
}

/// How a community knows a set that was shared.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct SharedAs {
    /// What it is called there.
    pub id: String,
    /// What withdraws it.
    pub key: String,
}

/// In which order sets come, unless they come by nearness.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub enum SetOrder {
    /// The newest first.
    #[default]
    Newest,
    /// From a place anywhere: the same for the same number.
    Random(u64),
}

/// Which sets are looked for.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct SetQuery {
    /// Beginnings of words that must all occur in name, words or note.
    pub word: String,
    /// Whose they are; anybody's where empty.
    pub owner: String,
    /// Places in Oklab: the sets with the nearest colours come first.
    pub near: Vec<[f64; 3]>,
    /// Their order otherwise.
    pub order: SetOrder,
    /// Which page, from 1.
    pub page: u64,
}

/// One page of what was found.
#[derive(Clone, Debug, PartialEq)]
pub struct SetPage {
    /// Its sets.
    pub sets: Vec<SetRecord>,
    /// Which page it is, from 1.
    pub page: u64,
    /// How many pages there are.
    pub pages: u64,
    /// How many sets were found.
    pub total: u64,
}

impl Store {
    /// Keeps a new set.
    ///
    /// # Errors
    /// The database failed.
    pub async fn keep_set(&self, content: &SetContent) -> Result<SetRecord> {
        // Drawn ids are in no order: a set at random is the next after an id that nobody has.
        self.write_set(Uuid::new_v4(), content, true).await
    }

    /// Puts other content into a set.
    ///
    /// # Errors
    /// [`StoreError::NoSet`].
    pub async fn change_set(&self, id: Uuid, content: &SetContent) -> Result<SetRecord> {
        self.set(id).await?;
        self.write_set(id, content, false).await
    }

    async fn write_set(&self, id: Uuid, content: &SetContent, is_new: bool) -> Result<SetRecord> {
        let colors: Vec<_> = content
            .colors
            .iter()
            .map(|(name, hex, _)| json!({ "name": name, "hex": hex }))
            .collect();
        let row = color_set::ActiveModel {
            id: Set(id),
            name: Set(content.name.clone()),
            words: Set(content.words.join(" ")),
            note: Set(content.note.clone()),
            owner: Set(content.owner.clone()),
            colors: Set(colors.into()),
            shared_id: NotSet,
            shared_key: NotSet,
            created_at: NotSet,
        };
        let tx = self.pools.begin().await?;
        let row = if is_new {
            row.insert(&tx).await?
        } else {
            row.update(&tx).await?
        };
        place(&tx, id, &content.colors).await?;
        commit(tx).await?;
        Ok(row.into())
    }

    /// One set.
    ///
    /// # Errors
    /// [`StoreError::NoSet`].
    pub async fn set(&self, id: Uuid) -> Result<SetRecord> {
        let found = color_set::Entity::find_by_id(id)
            .one(&self.pools.reads)
            .await?;
        found.map(Into::into).ok_or(StoreError::NoSet(id))
    }

    /// Forgets a set.
    ///
    /// # Errors
    /// [`StoreError::NoSet`].
    pub async fn remove_set(&self, id: Uuid) -> Result<()> {
        let tx = self.pools.begin().await?;
        let gone = color_set::Entity::delete_by_id(id).exec(&tx).await?;
        if gone.rows_affected == 0 {
            return Err(StoreError::NoSet(id));
        }
        commit(tx).await
    }

    /// Notes how a community knows a set, or that it does not any more.
    ///
    /// # Errors
    /// [`StoreError::NoSet`].
    pub async fn mark_shared(&self, id: Uuid, shared: Option<SharedAs>) -> Result<SetRecord> {
        let found = color_set::Entity::find_by_id(id)
            .one(&self.pools.reads)
            .await?;
        let mut row: color_set::ActiveModel = found.ok_or(StoreError::NoSet(id))?.into();
        let (known_as, key) = shared.map(|s| (s.id, s.key)).unzip();
        row.shared_id = Set(known_as);
        row.shared_key = Set(key);
        let tx = self.pools.begin().await?;
        let row = row.update(&tx).await?;
        commit(tx).await?;
        Ok(row.into())
    }

    /// Sets that are looked for, a page at a time; of near ones the nearest alone.
    ///
    /// # Errors
    /// The database failed.
    pub async fn sets(&self, query: &SetQuery) -> Result<SetPage> {
        let db = &self.pools.reads;
        let filter = Filter::new(query);
        if !query.near.is_empty() {
            let rows = db.query_all_raw(filter.nearest(&query.near)).await?;
            let ids = rows.iter().map(|row| row.try_get::<Uuid>("", "set_id"));
            let ids = ids.collect::<std::result::Result<Vec<_>, _>>()?;
            let (page, pages, skipped) = place_of(query.page, ids.len() as u64);
            let shown = ids.iter().skip(skipped as usize).take(PAGE as usize);
            let mut sets = self.by_ids(shown.clone().copied().collect()).await?;
            sets.sort_by_key(|set| ids.iter().position(|id| *id == set.id));
            let total = ids.len() as u64;
            return Ok(SetPage {
                sets,
                page,
                pages,
                total,
            });
        }
        let row = db.query_one_raw(filter.total()).await?;
        let count = row.map(|row| row.try_get::<i64>("", "total")).transpose()?;
        let total = count.and_then(|n| n.try_into().ok()).unwrap_or(0);
        let (page, pages, skipped) = place_of(query.page, total);
        let statement = filter.page(query.order, skipped);
        let rows = color_set::Entity::find()
            .from_raw_sql(statement)
            .all(db)
            .await?;
        Ok(SetPage {
            sets: rows.into_iter().map(Into::into).collect(),
            page,
            pages,
            total,
        })
    }

    async fn by_ids(&self, ids: Vec<Uuid>) -> Result<Vec<SetRecord>> {
        let found = color_set::Entity::find().filter(color_set::Column::Id.is_in(ids));
        let rows = found.all(&self.pools.reads).await?;
        Ok(rows.into_iter().map(Into::into).collect())
    }
}

/// Which page there is, of how many, and how many sets stand before it.
fn place_of(page: u64, total: u64) -> (u64, u64, u64) {
    let pages = total.div_ceil(PAGE).max(1);
    let page = page.clamp(1, pages);
    (page, pages, (page - 1) * PAGE)
}

/// Puts the points of a set where nearness is looked up.
async fn place(
    tx: &DatabaseTransaction,
    id: Uuid,
    colors: &[(String, String, [f64; 3])],
) -> Result<()> {
    tx.execute_raw(statement(
        "DELETE FROM color_set_point WHERE set_id = $1",
        vec![id.into()],
    ))
    .await?;
    let mut sql = "INSERT INTO color_set_point (set_id, lab) VALUES ".to_owned();
    let mut values: Vec<Value> = vec![id.into()];
    for (i, (_, _, lab)) in colors.iter().enumerate() {
        values.push(point(*lab).into());
        let comma = if i == 0 { "" } else { ", " };
        let _ = write!(sql, "{comma}($1, ${}::text::cube)", values.len());
    }
    if !colors.is_empty() {
        tx.execute_raw(statement(&sql, values)).await?;
    }
    Ok(())
}

fn point([l, a, b]: [f64; 3]) -> String {
    format!("({l}, {a}, {b})")
}

fn statement(sql: &str, values: Vec<Value>) -> Statement {
    Statement::from_sql_and_values(DbBackend::Postgres, sql, values)
}

/// What must hold of a set, in SQL, with its values.
struct Filter {
    sql: String,
    values: Vec<Value>,
}

impl Filter {
    fn new(query: &SetQuery) -> Self {
        let mut values: Vec<Value> = Vec::new();
        let mut parts = vec!["true".to_owned()];
        if let Some(words) = beginnings(&query.word) {
            values.push(words.into());
            parts.push(format!(
                "s.found_by @@ to_tsquery('simple', ${})",
                values.len()
            ));
        }
        let owner = query.owner.trim();
        if !owner.is_empty() {
            values.push(owner.replace('\0', "").to_lowercase().into());
            parts.push(format!("lower(s.owner) = ${}", values.len()));
        }
        let sql = parts.join(" AND ");
        Self { sql, values }
    }

    fn total(&self) -> Statement {
        let sql = format!(
            "SELECT count(*) AS total FROM color_set s WHERE {}",
            self.sql
        );
        statement(&sql, self.values.clone())
    }

    fn page(&self, order: SetOrder, skipped: u64) -> Statement {
        let mut values = self.values.clone();
        let order = match order {
            SetOrder::Newest => "s.created_at DESC, s.id".to_owned(),
            SetOrder::Random(seed) => {
                values.push(Uuid::from_u64_pair(seed, 0).into());
                // Those before the place come after the last.
                format!("s.id < ${}, s.id", values.len())
            }
        };
        let sql = format!(
            "SELECT s.id, s.name, s.words, s.note, s.owner, s.colors, s.shared_id, s.shared_key, s.created_at \
             FROM color_set s WHERE {} ORDER BY {order} LIMIT {PAGE} OFFSET {skipped}",
            self.sql
        );
        statement(&sql, values)
    }

    /// The nearest points of each goal by the index; their sets by the sum of the distances from each
    /// goal to the nearest colour of the set.
    fn nearest(&self, goals: &[[f64; 3]]) -> Statement {
        let mut values = self.values.clone();
        let mut list = String::new();
        for goal in goals {
            values.push(point(*goal).into());
            let comma = if list.is_empty() { "" } else { ", " };
            let _ = write!(list, "{comma}(${}::text::cube)", values.len());
        }
        let sql = format!(
            "WITH goal (lab) AS (VALUES {list}),
             close AS MATERIALIZED (
               SELECT DISTINCT found.set_id FROM goal, LATERAL (
                 SELECT p.set_id FROM color_set_point p JOIN color_set s ON s.id = p.set_id
                 WHERE {} ORDER BY p.lab <-> goal.lab LIMIT {NEAREST}
               ) found
             )
             SELECT each.set_id FROM (
               SELECT p.set_id, goal.lab, min(p.lab <-> goal.lab) AS least
               FROM close JOIN color_set_point p USING (set_id), goal GROUP BY p.set_id, goal.lab
             ) each GROUP BY each.set_id ORDER BY sum(each.least), each.set_id",
            self.sql
        );
        statement(&sql, values)
    }
}

/// `kelp low` as what asks for words that begin so; none where nothing is asked.
fn beginnings(text: &str) -> Option<String> {
    let words: Vec<String> = text
        .split(|c: char| !c.is_alphanumeric())
        .filter(|word| !word.is_empty())
        .map(|word| format!("{}:*", word.to_lowercase()))
        .collect();
    (!words.is_empty()).then(|| words.join(" & "))
}

impl From<color_set::Model> for SetRecord {
    fn from(row: color_set::Model) -> Self {
        let text = |value: &serde_json::Value| value.as_str().unwrap_or_default().to_owned();
        let colors = row.colors.as_array().map_or(&[][..], Vec::as_slice);
        Self {
            id: row.id,
            name: row.name,
            words: row.words.split_whitespace().map(str::to_owned).collect(),
            note: row.note,
            owner: row.owner,
            colors: colors
                .iter()
                .map(|c| (text(&c["name"]), text(&c["hex"])))
                .collect(),
            shared: row
                .shared_id
                .zip(row.shared_key)
                .map(|(id, key)| SharedAs { id, key }),
            created_at: row.created_at.into(),
        }
    }
}
