import "../faces/load";
import "./layout.css";
import { el } from "./element";
import { isPageName, PAGES } from "./pages";

/** The document inside the proof: markup, and the faces a theme may name. What it looks like comes from the exported sheets. */
const search = new URLSearchParams(location.search);
const mode = search.get("mode") === "dark" ? "dark" : "light";
const asked = search.get("page");
const name = isPageName(asked) ? asked : "timetable";

document.documentElement.dataset.mode = mode;
document.title = name;
// Two of these stand side by side: each landmark has a name of its own.
document.body.append(el("main", { "aria-label": `${name}, ${mode}` }, PAGES[name]()));
// Links show states and lead nowhere.
document.addEventListener("click", (event) => {
  if (event.target instanceof Element && event.target.closest("a")) event.preventDefault();
});
