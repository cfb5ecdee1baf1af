//! Computation off the workers that answer requests: as many jobs at once as there are cores, a
//! place to wait for a few more, and a plain refusal beyond that. Health and reading stay quick
//! whatever is computed.

use std::num::NonZero;
use std::sync::Arc;
use std::sync::atomic::{AtomicUsize, Ordering};
use std::time::Duration;

use axum::http::StatusCode;
use tokio::sync::Semaphore;

use crate::error::ApiError;

/// Jobs that may wait for their turn.
const MAX_WAITING: usize = 128;
/// The longest that a job waits.
const MAX_WAIT: Duration = Duration::from_secs(10);

/// Where jobs are done. Cheap to clone.
#[derive(Clone, Debug)]
pub(crate) struct Work {
    places: Arc<Semaphore>,
    waiting: Arc<AtomicUsize>,
}

/// A job in the queue; counts itself out wherever it ends.
struct Waiting(Arc<AtomicUsize>);

impl Drop for Waiting {
    fn drop(&mut self) {
        self.0.fetch_sub(1, Ordering::Relaxed);
    }
}

impl Work {
    pub(crate) fn new() -> Self {
        let cores = std::thread::available_parallelism().map_or(2, NonZero::get);
        Self {
            places: Arc::new(Semaphore::new(cores)),
            waiting: Arc::default(),
        }
    }

    /// How many jobs wait.
    pub(crate) fn waiting(&self) -> usize {
        self.waiting.load(Ordering::Relaxed)
    }

    /// Does a job once there is a place for it.
    ///
    /// # Errors
    /// Too many wait already, or this one waited too long.
    pub(crate) async fn run<T: Send + 'static>(
        &self,
        job: impl FnOnce() -> T + Send + 'static,
    ) -> Result<T, ApiError> {
        let waiting = Waiting(self.waiting.clone());
        if self.waiting.fetch_add(1, Ordering::Relaxed) >= MAX_WAITING {
            return Err(busy());
        }
        let place = tokio::time::timeout(MAX_WAIT, self.places.clone().acquire_owned()).await;
        let Ok(Ok(place)) = place else {
            return Err(busy());
        };
        drop(waiting);
        let done = tokio::task::spawn_blocking(move || {
            let done = job();
            drop(place);
            done
        });
        done.await.map_err(|cause| ApiError::unexpected(&cause))
    }
}

fn busy() -> ApiError {
    let detail = "The server computes as much as it can already; try again in a moment.";
    ApiError::new(
        StatusCode::SERVICE_UNAVAILABLE,
        "/problems/busy",
        "The server is busy",
        detail,
    )
}

#[cfg(test)]
mod tests {
    use super::*;

    #[tokio::test(flavor = "multi_thread")]
    async fn what_cannot_wait_any_more_is_refused_and_places_come_free_again() {
        let work = Work::new();
        let jobs: Vec<_> = (0..MAX_WAITING + 64)
            .map(|_| {
                let work = work.clone();
                tokio::spawn(async move {
                    work.run(|| std::thread::sleep(Duration::from_millis(10)))
                        .await
                })
            })
            .collect();
        let mut refused = 0;
        for job in jobs {
            refused += usize::from(job.await.unwrap().is_err());
        }
        assert!(refused > 0 && refused <= 64, "{refused}");
        assert_eq!(work.run(|| 7).await.unwrap(), 7);
        assert_eq!(work.waiting.load(Ordering::Relaxed), 0);
    }
}
