import "./layout.css";
import { timetable } from "./pages/timetable";

/** The document inside the proof: markup only. What it looks like comes from the exported sheets. */
const mode = new URLSearchParams(location.search).get("mode");
document.documentElement.dataset.mode = mode === "dark" ? "dark" : "light";
document.title = "Timetable";
document.body.append(timetable());
