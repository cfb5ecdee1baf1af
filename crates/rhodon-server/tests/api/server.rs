//! A server of its own for a test, on a database of its own.

use std::net::SocketAddr;
use std::path::PathBuf;

use reqwest::{Client, Method, RequestBuilder, Response, StatusCode};
use rhodon_server::{Addresses, App, Live, ServeError, Services, load_demo};
use rhodon_store::Store;
use rhodon_testing::fresh_database;
use serde_json::{Value, json};

pub struct Server {
    pub address: SocketAddr,
    /// The services that it asks.
    pub services: SocketAddr,
    pub client: Client,
}

impl Server {
    pub async fn start() -> Self {
        Self::start_on(fresh_database("api").await, None).await
    }

    /// A server on a database, with a project's folder.
    pub async fn start_on(database: String, workspace: Option<PathBuf>) -> Self {
        Self::start_with(database, |app| app.with_workspace(workspace)).await
    }

    /// A server on a database, with what else is given to it.
    pub async fn start_with(
        database: String,
        with: impl FnOnce(App) -> Result<App, ServeError> + Send + 'static,
    ) -> Self {
        let store = Store::connect(&database).await.unwrap();
        store.migrate().await.unwrap();
        load_demo(&store).await.unwrap();
        let standin = tokio::net::TcpListener::bind("127.0.0.1:0").await.unwrap();
        let services = standin.local_addr().unwrap();
        tokio::spawn(
            async move { axum::serve(standin, rhodon_standin::router(None).unwrap()).await },
        );
        let at = Some(format!("http://{services}"));
        let known = Services::at(&Addresses {
            community: at.clone(),
            fonts: at,
        });
        let known = known.unwrap();
        let listener = tokio::net::TcpListener::bind("127.0.0.1:0").await.unwrap();
        let address = listener.local_addr().unwrap();
        tokio::spawn(async move {
            let live = Live::start(database);
            let app = with(App::new(store, live, known)).unwrap();
            axum::serve(listener, app.router(address)).await
        });
        Self {
            address,
            services,
            client: Client::new(),
        }
    }

    pub fn ask(&self, method: Method, path: &str) -> RequestBuilder {
        self.client
            .request(method, format!("http://{}{path}", self.address))
    }

    pub async fn get(&self, path: &str) -> (StatusCode, Value) {
        self.answer(&Method::GET, path, self.ask(Method::GET, path))
            .await
    }

    pub async fn post(&self, path: &str, body: Value) -> (StatusCode, Value) {
        self.answer(
            &Method::POST,
            path,
            self.ask(Method::POST, path).json(&body),
        )
        .await
    }

    pub async fn put(&self, path: &str, base: i64, body: Value) -> (StatusCode, Value) {
        let request = self
            .ask(Method::PUT, path)
            .header("if-match", format!("\"{base}\""))
            .json(&body);
        self.answer(&Method::PUT, path, request).await
    }

    /// Sends a request; its answer must be as it is documented.
    pub async fn answer(
        &self,
        method: &Method,
        path: &str,
        request: RequestBuilder,
    ) -> (StatusCode, Value) {
        let (status, body) = read(request.send().await.unwrap()).await;
        crate::contract::check(method, path, status, &body);
        (status, body)
    }
}

pub async fn read(response: Response) -> (StatusCode, Value) {
    let status = response.status();
    let kind = response.headers()["content-type"]
        .to_str()
        .unwrap()
        .to_owned();
    let expected = if status.is_success() {
        "application/json"
    } else {
        "application/problem+json"
    };
    assert_eq!(kind, expected, "{status}");
    (status, response.json().await.unwrap())
}

pub fn tern(code: &str) -> Value {
    json!({ "format": 1, "name": "Tern", "brand": [{ "name": "Deep", "slug": "deep", "color": code }] })
}
