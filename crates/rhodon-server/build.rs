//! rust-embed sees changed files but not new ones: the whole folder is watched.
fn main() {
    println!("cargo:rerun-if-changed=../../web/dist");
}
