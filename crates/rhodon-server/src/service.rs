//! Outside services: asked with a time limit and a limit of bytes; what they do wrong is told in
//! one's own words and stops nothing else.

use std::time::Duration;

use axum::body::Bytes;
use axum::http::StatusCode;
use reqwest::{Client, RequestBuilder, Response, Url};
use serde::Serialize;
use serde::de::DeserializeOwned;

use crate::error::ApiError;

/// The longest that an answer may take.
const MAX_TIME: Duration = Duration::from_secs(4);
/// The largest answer, in bytes.
const MAX_BYTES: usize = 4 * 1024 * 1024;

/// The services that are known.
#[derive(Clone, Debug)]
pub struct Services {
    pub(crate) community: Service,
    pub(crate) fonts: Service,
}

/// Addresses of services, where they are set.
#[derive(Clone, Debug, Default)]
pub struct Addresses {
    /// Of the community that shares sets of colours.
    pub community: Option<String>,
    /// Of the service of web fonts.
    pub fonts: Option<String>,
}

impl Services {
    /// The services at these addresses.
    ///
    /// # Errors
    /// An address that is none, in words.
    pub fn at(addresses: &Addresses) -> Result<Self, String> {
        let client = Client::builder()
            .timeout(MAX_TIME)
            .redirect(reqwest::redirect::Policy::none())
            .no_proxy()
            .build()
            .map_err(|e| e.to_string())?;
        let service = |name, setting, address: &Option<String>| {
            let base = address.as_deref().map(|text| base(text, setting));
            Ok::<_, String>(Service {
                name,
                setting,
                base: base.transpose()?,
                client: client.clone(),
            })
        };
        Ok(Self {
            community: service("The community", "RHODON_COMMUNITY", &addresses.community)?,
            fonts: service("The font service", "RHODON_FONTS", &addresses.fonts)?,
        })
    }
}

/// An address that paths are joined to.
fn base(text: &str, setting: &str) -> Result<Url, String> {
    let expected =
        || format!("{setting}: expected an address such as http://127.0.0.1:4871, found {text:?}");
    let mut url: Url = text.parse().map_err(|_| expected())?;
    if url.scheme() != "http" || !url.has_host() {
        return Err(expected());
    }
    if !url.path().ends_with('/') {
        let path = format!("{}/", url.path());
        url.set_path(&path);
    }
    Ok(url)
}

/// One outside service.
#[derive(Clone, Debug)]
pub struct Service {
    /// What it is, at the head of a sentence.
    name: &'static str,
    /// What sets its address.
    setting: &'static str,
    base: Option<Url>,
    client: Client,
}

impl Service {
    /// Its address, where it has one.
    pub(crate) fn address(&self) -> Option<&Url> {
        self.base.as_ref()
    }

    /// A path of the service as an address; the path does not lead out of it.
    fn to(&self, path: &str) -> Result<Url, ApiError> {
        let Some(base) = &self.base else {
            return Err(self.refusal(format!(
                "{} has no address: {} sets it.",
                self.name, self.setting
            )));
        };
        let url = base
            .join(path)
            .ok()
            .filter(|url| url.as_str().starts_with(base.as_str()));
        url.ok_or_else(|| self.wrong("an address of its own"))
    }

    /// Asks for JSON.
    pub(crate) async fn get<T: DeserializeOwned>(
        &self,
        path: &str,
        query: &impl Serialize,
    ) -> Result<T, ApiError> {
        let url = self.to(path)?;
        self.json(self.client.get(url).query(query)).await
    }

    /// Sends JSON and takes JSON.
    pub(crate) async fn post<T: DeserializeOwned>(
        &self,
        path: &str,
        body: &impl Serialize,
    ) -> Result<T, ApiError> {
        let url = self.to(path)?;
        self.json(self.client.post(url).json(body)).await
    }

    /// Has something removed; what is not there any more is removed.
    pub(crate) async fn delete(&self, path: &str, key: &str) -> Result<(), ApiError> {
        let url = self.to(path)?;
        let answer = self.send(self.client.delete(url).bearer_auth(key)).await?;
        match answer.status() {
            StatusCode::NOT_FOUND => Ok(()),
            _ => self.well(answer).await.map(drop),
        }
    }

    /// Asks for bytes.
    pub(crate) async fn bytes(
        &self,
        path: &str,
        query: &impl Serialize,
    ) -> Result<Bytes, ApiError> {
        let url = self.to(path)?;
        let answer = self.send(self.client.get(url).query(query)).await?;
        self.well(answer).await
    }

    async fn json<T: DeserializeOwned>(&self, request: RequestBuilder) -> Result<T, ApiError> {
        let answer = self.send(request).await?;
        let bytes = self.well(answer).await?;
        serde_json::from_slice(&bytes).map_err(|_| self.wrong("the answer that it documents"))
    }

    async fn send(&self, request: RequestBuilder) -> Result<Response, ApiError> {
        request.send().await.map_err(|error| self.away(&error))
    }

    /// The whole of an answer that is no refusal.
    async fn well(&self, mut answer: Response) -> Result<Bytes, ApiError> {
        let status = answer.status();
        let mut whole = Vec::new();
        while let Some(part) = answer.chunk().await.map_err(|error| self.away(&error))? {
            if whole.len() + part.len() > MAX_BYTES {
                return Err(self.wrong(&format!("at most {} MB", MAX_BYTES / 1_000_000)));
            }
            whole.extend_from_slice(&part);
        }
        if status.is_success() {
            return Ok(whole.into());
        }
        Err(self.refused(status, &whole))
    }

    fn refused(&self, status: StatusCode, body: &[u8]) -> ApiError {
        #[derive(serde::Deserialize)]
        struct Told {
            error: String,
        }
        let why = serde_json::from_slice::<Told>(body).map(|told| told.error);
        let why = why.unwrap_or_else(|_| status.to_string());
        self.refusal(format!("{} refused: {why}.", self.name))
    }

    fn away(&self, error: &reqwest::Error) -> ApiError {
        let name = self.name;
        self.refusal(if error.is_timeout() {
            format!(
                "{name} took longer than {} s; try again later.",
                MAX_TIME.as_secs()
            )
        } else if error.is_connect() {
            format!("{name} does not answer; {} says where it is.", self.setting)
        } else {
            format!("{name} broke its answer off; try again.")
        })
    }

    fn wrong(&self, expected: &str) -> ApiError {
        self.refusal(format!(
            "{} answered something else: expected {expected}.",
            self.name
        ))
    }

    fn refusal(&self, detail: String) -> ApiError {
        let title = "An outside service failed";
        ApiError::new(StatusCode::BAD_GATEWAY, "/problems/service", title, detail)
    }
}
