import "./layout.css";
import { el } from "./element";
import { timetable } from "./pages/timetable";

/** The document inside the proof: markup only. What it looks like comes from the exported sheets. */
const mode = new URLSearchParams(location.search).get("mode") === "dark" ? "dark" : "light";
document.documentElement.dataset.mode = mode;
document.title = "Timetable";
// Two of these stand side by side: each landmark has a name of its own.
document.body.append(el("main", { "aria-label": `Timetable, ${mode}` }, timetable()));
