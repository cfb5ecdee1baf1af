import { Button } from "@mantine/core";
import { applyToSite, type Site } from "../../../api/sites";

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
    </li>
  );
}
