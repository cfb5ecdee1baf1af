// Every face that ships; a browser loads the files of those that are used.
import "@fontsource-variable/archivo/index.css";
import "@fontsource-variable/bricolage-grotesque/index.css";
import "@fontsource-variable/figtree/index.css";
import "@fontsource-variable/fraunces/index.css";
import "@fontsource-variable/hanken-grotesk/index.css";
import "@fontsource-variable/instrument-sans/index.css";
import "@fontsource-variable/jetbrains-mono/index.css";
import "@fontsource-variable/literata/index.css";
import "@fontsource-variable/newsreader/index.css";
import "@fontsource-variable/nunito/index.css";
import "@fontsource-variable/roboto-slab/index.css";
import "@fontsource-variable/schibsted-grotesk/index.css";
import "@fontsource-variable/source-serif-4/index.css";
import "@fontsource-variable/spline-sans-mono/index.css";
