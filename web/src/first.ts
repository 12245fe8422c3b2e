import { openAhead } from "./ahead";
import "./index.css";

// The page.
void import("./main");

// What a song's own address needs is asked for while the page is fetched.
const [, place, id, view] = window.location.pathname.split("/");
if (place === "songs" && id) openAhead(id, view || "left-hand", window.location.search);
