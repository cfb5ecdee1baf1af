//! What is remembered of sites, so that everybody who works on a theme sees the same: which token each
//! slot takes, which names a theme was registered under, what a site showed before.

use std::collections::{BTreeMap, HashMap};

use chrono::Utc;
use sea_orm::ActiveValue::Set;
use sea_orm::sea_query::OnConflict;
use sea_orm::{ActiveModelTrait, ColumnTrait, EntityTrait, QueryFilter, QueryOrder};
use uuid::Uuid;

use crate::entity::{site_shown, site_theme, theme};
use crate::error::Result;
use crate::pool::commit;
use crate::row::{live, locked};
use crate::store::Store;

impl Store {
    /// Which token each slot of a site takes, where somebody chose one, by the slot.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn site_slots(&self, slug: &str) -> Result<BTreeMap<String, String>> {
        let found = live(&self.pools.reads, slug).await?;
        Ok(serde_json::from_value(found.site_slots).unwrap_or_default())
    }

    /// Remembers them.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn keep_site_slots(
        &self,
        slug: &str,
        slots: &BTreeMap<String, String>,
    ) -> Result<()> {
        let tx = self.pools.begin().await?;
        let mut row: theme::ActiveModel = locked(&tx, slug).await?.into();
        row.site_slots = Set(serde_json::to_value(slots).unwrap_or_default());
        row.update(&tx).await?;
        commit(tx).await
    }

    /// Remembers that a theme was registered with a host under a name.
    ///
    /// # Errors
    /// The database failed.
    pub async fn keep_registration(&self, host: &str, name: &str, theme: Uuid) -> Result<()> {
        let tx = self.pools.begin().await?;
        let row = site_theme::ActiveModel {
            host: Set(host.to_owned()),
            name: Set(name.to_owned()),
            theme_id: Set(Some(theme)),
        };
        let key = [site_theme::Column::Host, site_theme::Column::Name];
        let again = OnConflict::columns(key)
            .update_column(site_theme::Column::ThemeId)
            .to_owned();
        site_theme::Entity::insert(row)
            .on_conflict(again)
            .exec_without_returning(&tx)
            .await?;
        commit(tx).await
    }

    /// Every name under which a theme was registered with a host, its former ones too.
    ///
    /// # Errors
    /// The database failed.
    pub async fn registrations(&self, host: &str, theme: Uuid) -> Result<Vec<String>> {
        let own = site_theme::Entity::find()
            .filter(site_theme::Column::Host.eq(host))
            .filter(site_theme::Column::ThemeId.eq(theme))
            .order_by_asc(site_theme::Column::Name);
        let rows = own.all(&self.pools.reads).await?;
        Ok(rows.into_iter().map(|row| row.name).collect())
    }

    /// Remembers what a site showed until now.
    ///
    /// # Errors
    /// The database failed.
    pub async fn keep_shown(&self, host: &str, site: &str, theme: &str) -> Result<()> {
        let tx = self.pools.begin().await?;
        let row = site_shown::ActiveModel {
            host: Set(host.to_owned()),
            site: Set(site.to_owned()),
            theme: Set(theme.to_owned()),
            until: Set(Utc::now().into()),
        };
        let key = [
            site_shown::Column::Host,
            site_shown::Column::Site,
            site_shown::Column::Theme,
        ];
        let again = OnConflict::columns(key)
            .update_column(site_shown::Column::Until)
            .to_owned();
        site_shown::Entity::insert(row)
            .on_conflict(again)
            .exec_without_returning(&tx)
            .await?;
        commit(tx).await
    }

    /// Names of the themes that each site of a host showed before, the last one first.
    ///
    /// # Errors
    /// The database failed.
    pub async fn shown_before(&self, host: &str) -> Result<HashMap<String, Vec<String>>> {
        let all = site_shown::Entity::find()
            .filter(site_shown::Column::Host.eq(host))
            .order_by_desc(site_shown::Column::Until);
        let mut out: HashMap<String, Vec<String>> = HashMap::new();
        for row in all.all(&self.pools.reads).await? {
            out.entry(row.site).or_default().push(row.theme);
        }
        Ok(out)
    }
}
