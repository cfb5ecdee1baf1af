import { Button } from "@mantine/core";
import { useInterval } from "@mantine/hooks";
import { useState } from "react";
import { applyToSite, type Site } from "../../../api/sites";
import classes from "./Sites.module.css";

interface Props {
  site: Site;
  name: string;
  registered: boolean;
  act: (what: () => Promise<string | undefined>) => Promise<void>;
}

/** One site of a host: what it shows, and what it showed before. */
export function OneSite({ site, name, registered, act }: Props) {
  const show = (theme: string | null) =>
    act(async () => {
      const done = await applyToSite(site.id, theme, site.version);
      if (!theme) return `${site.name} shows no theme`;
      return done.shows
        ? `${site.name} shows ${theme}: its page was read back`
        : `${site.name} has ${theme}; its page is kept and shows it within a minute`;
    });
  const is = site.theme === name;
  // A host keeps what was looked at for a while: it is only looked at where somebody asks.
  const [seen, setSeen] = useState(false);
  return (
    <li>
      <b>{site.name}</b>
      <span>
        {site.theme ? `shows ${site.theme}` : "shows no theme"}
        {site.own && !is ? ", as this theme was called before" : ""}
      </span>
      {!is && registered && (
        <Button size="compact-xs" variant="default" onClick={() => void show(name)}>
          {site.theme ? "Replace" : "Apply"}
        </Button>
      )}
      {site.own && (
        <Button size="compact-xs" variant="default" onClick={() => void show(null)}>
          Take back
        </Button>
      )}
      {site.before
        .filter((before) => before !== name)
        .map((before) => (
          <Button key={before} size="compact-xs" variant="default" onClick={() => void show(before)}>
            Bring {before} back
          </Button>
        ))}
      <Button size="compact-xs" variant="subtle" aria-expanded={seen} onClick={() => setSeen((s) => !s)}>
        {seen ? "Hide its page" : "See its page"}
      </Button>
      {seen && <LivePage site={site} />}
    </li>
  );
}

/** How often the page is looked at again, in ms: hosts keep pages for a while. */
const AGAIN = 15_000;

/** The page of a site as people get it, from further away. Nothing in it runs. */
function LivePage({ site }: { site: Site }) {
  const [seen, setSeen] = useState(0);
  useInterval(() => setSeen((n) => n + 1), AGAIN, { autoInvoke: true });
  return (
    <span className={classes.page}>
      <iframe
        title={`The page of ${site.name}`}
        src={`/api/sites/${encodeURIComponent(site.id)}/page?seen=${site.version}-${seen}`}
        sandbox=""
        tabIndex={-1}
      />
    </span>
  );
}
