//! The client of a host of sites: asked with a time limit. Only what is safe to repeat is repeated.

use std::collections::BTreeMap;
use std::time::Duration;

use reqwest::{Client, RequestBuilder, Response};
use serde::de::DeserializeOwned;
use serde::{Deserialize, Serialize};
use serde_json::json;
use url::Url;

/// The longest that an answer may take.
const MAX_TIME: Duration = Duration::from_secs(5);

/// The largest answer, in bytes.
const MAX_BYTES: usize = 4 * 1024 * 1024;

/// A place for a value.
#[derive(Clone, Debug, PartialEq, Eq, Deserialize, Serialize)]
pub struct Slot {
    /// Its name.
    pub id: String,
    /// `color` or `face`.
    pub kind: String,
    /// What it is for.
    pub meaning: String,
}

/// A site, and what it shows.
#[derive(Clone, Debug, PartialEq, Eq, Deserialize, Serialize)]
pub struct SiteView {
    /// Its name in addresses.
    pub id: String,
    /// Its name.
    pub name: String,
    /// Path of its page.
    pub page: String,
    /// Name of the theme that it shows.
    pub theme: Option<String>,
    /// Counts what was applied.
    pub version: u64,
}

/// A theme that the host knows.
#[derive(Clone, Debug, PartialEq, Eq, Deserialize, Serialize)]
pub struct Registered {
    /// Its name.
    pub name: String,
    /// Address of its style sheet.
    pub url: String,
    /// Sites that show it.
    #[serde(rename = "usedBy")]
    pub used_by: Vec<String>,
}

/// How a host stands.
#[derive(Clone, Debug, Default, PartialEq, Eq, Deserialize, Serialize)]
pub struct Standing {
    /// What its sites take.
    pub slots: Vec<Slot>,
    /// Its sites.
    pub sites: Vec<SiteView>,
    /// The themes that it knows.
    pub themes: Vec<Registered>,
}

impl Standing {
    /// A site by its name in addresses.
    ///
    /// # Errors
    /// There is none, with those there are.
    pub fn site(&self, id: &str) -> Result<&SiteView, SiteError> {
        self.sites.iter().find(|site| site.id == id).ok_or_else(|| {
            let known: Vec<&str> = self.sites.iter().map(|s| s.id.as_str()).collect();
            SiteError::Missing(format!(
                "no site is called {id}: expected one of {}",
                known.join(", ")
            ))
        })
    }
}

/// Why a host did not do what it was asked.
#[derive(Debug, thiserror::Error)]
pub enum SiteError {
    /// Its address is none.
    #[error("{0:?}: expected the address of a host, such as http://127.0.0.1:4871")]
    Address(String),
    /// It does not answer, or not in time.
    #[error("the host does not answer ({0}): nothing was changed by this; try again")]
    Away(String),
    /// It answers something else than it documents.
    #[error("the host answered something else than it documents: {0}")]
    Nonsense(String),
    /// It refuses, in its own words.
    #[error("the host refused: {0}")]
    Refused(String),
    /// It has no such thing.
    #[error("{0}")]
    Missing(String),
}

/// A host of sites.
#[derive(Clone, Debug)]
pub struct Host {
    client: Client,
    base: Url,
    token: String,
}

impl Host {
    /// The host at an address.
    ///
    /// # Errors
    /// An address that is none.
    pub fn at(address: &str, token: &str) -> Result<Self, SiteError> {
        let wrong = || SiteError::Address(address.to_owned());
        let base: Url = address.parse().map_err(|_| wrong())?;
        if !base.has_host() {
            return Err(wrong());
        }
        let client = Client::builder()
            .timeout(MAX_TIME)
            .redirect(reqwest::redirect::Policy::none())
            .no_proxy()
            .build();
        Ok(Self {
            client: client.map_err(|e| SiteError::Away(e.to_string()))?,
            base,
            token: token.to_owned(),
        })
    }

    /// Its address, by which it is told from others.
    pub fn address(&self) -> &str {
        self.base.as_str()
    }

    fn to(&self, parts: &[&str]) -> Url {
        let mut url = self.base.clone();
        if let Ok(mut path) = url.path_segments_mut() {
            path.pop_if_empty().extend(parts);
        }
        url
    }

    /// How it stands now; asked once more where it did not answer.
    ///
    /// # Errors
    /// It is away, or answers something else.
    pub async fn look(&self) -> Result<Standing, SiteError> {
        let ask = || self.client.get(self.to(&["sites"]));
        let answer = match sent(ask()).await {
            Err(SiteError::Away(_)) => sent(ask()).await?,
            answer => answer?,
        };
        read(answer).await
    }

    /// Registers a theme under a name, or gives the one of that name other values.
    ///
    /// # Errors
    /// What the host does not take, in its words.
    pub async fn register(
        &self,
        name: &str,
        url: &str,
        slots: &BTreeMap<String, String>,
    ) -> Result<(), SiteError> {
        let body = json!({ "url": url, "slots": slots });
        let request = self.client.put(self.to(&["site-themes", name]));
        sent(request.bearer_auth(&self.token).json(&body))
            .await
            .map(drop)
    }

    /// Has a site show a theme, or none; gives the name of the one that it showed before.
    ///
    /// # Errors
    /// Somebody else changed the site since it was looked at; the theme is not registered.
    pub async fn apply(
        &self,
        site: &SiteView,
        name: Option<&str>,
    ) -> Result<Option<String>, SiteError> {
        #[derive(Deserialize)]
        struct Applied {
            before: Option<String>,
        }
        let body = json!({ "name": name, "version": site.version });
        let request = self.client.put(self.to(&["sites", &site.id, "theme"]));
        let answer = sent(request.bearer_auth(&self.token).json(&body)).await?;
        let applied: Applied = read(answer).await?;
        Ok(applied.before)
    }

    /// Has the host forget a theme that no site shows.
    ///
    /// # Errors
    /// A site shows it.
    pub async fn remove(&self, name: &str) -> Result<(), SiteError> {
        let request = self.client.delete(self.to(&["site-themes", name]));
        sent(request.bearer_auth(&self.token)).await.map(drop)
    }

    /// Whether the page of a site loads a style sheet: the page itself is read.
    ///
    /// # Errors
    /// It is away.
    pub async fn loads(&self, site: &SiteView, url: &str) -> Result<bool, SiteError> {
        let page = self.page(&site.id).await?;
        Ok(page.contains(&format!("href=\"{url}\"")))
    }

    /// The page of a site as people get it.
    ///
    /// # Errors
    /// It is away; there is no such site.
    pub async fn page(&self, site: &str) -> Result<String, SiteError> {
        let answer = sent(self.client.get(self.page_address(site))).await?;
        let text = bytes(answer).await?;
        Ok(String::from_utf8_lossy(&text).into_owned())
    }

    /// Where the page of a site is.
    pub fn page_address(&self, site: &str) -> Url {
        self.to(&["sites", site, "page"])
    }
}

/// The answer of a request that is no refusal.
async fn sent(request: RequestBuilder) -> Result<Response, SiteError> {
    #[derive(Deserialize)]
    struct Told {
        error: String,
    }
    let answer = request
        .send()
        .await
        .map_err(|e| SiteError::Away(e.to_string()))?;
    let status = answer.status();
    if status.is_success() {
        return Ok(answer);
    }
    let told = read::<Told>(answer).await;
    Err(SiteError::Refused(
        told.map_or_else(|_| status.to_string(), |told| told.error),
    ))
}

/// An answer in the shape that is documented.
async fn read<T: DeserializeOwned>(answer: Response) -> Result<T, SiteError> {
    let bytes = bytes(answer).await?;
    serde_json::from_slice(&bytes).map_err(|e| SiteError::Nonsense(e.to_string()))
}

/// The whole of an answer, within bounds.
async fn bytes(mut answer: Response) -> Result<Vec<u8>, SiteError> {
    let away = |e: reqwest::Error| SiteError::Away(e.to_string());
    let mut whole = Vec::new();
    while let Some(part) = answer.chunk().await.map_err(away)? {
        if whole.len() + part.len() > MAX_BYTES {
            let most = MAX_BYTES / 1_000_000;
            return Err(SiteError::Nonsense(format!("more than {most} MB")));
        }
        whole.extend_from_slice(&part);
    }
    Ok(whole)
}
