import { Button } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { applyToSite, type Site } from "../../../api/sites";

interface Props {
  site: Site;
  name: string;
  registered: boolean;
  act: (what: () => Promise<string | undefined>) => Promise<void>;
}

/** One site of a host: what it shows, and what it showed before. */
export function OneSite({ site, name, registered, act }: Props) {
  const [before, setBefore] = useLocalStorage<string | null>({
    key: `rhodon-site-${site.id}`,
    defaultValue: null,
  });
  const show = (theme: string | null) =>
    act(async () => {
      const done = await applyToSite(site.id, theme, site.version);
      setBefore(done.before ?? null);
      if (!theme) return `${site.name} shows no theme`;
      return done.shows
        ? `${site.name} shows ${theme}: its page was read back`
        : `${site.name} has ${theme}; its page is kept and shows it within a minute`;
    });
  const is = site.theme === name;
  return (
    <li>
      <b>{site.name}</b>
      <span>{site.theme ? `shows ${site.theme}` : "shows no theme"}</span>
      {!is && registered && (
        <Button size="compact-xs" variant="default" onClick={() => void show(name)}>
          {site.theme ? "Replace" : "Apply"}
        </Button>
      )}
      {is && (
        <Button size="compact-xs" variant="default" onClick={() => void show(null)}>
          Take back
        </Button>
      )}
      {before && before !== site.theme && (
        <Button size="compact-xs" variant="default" onClick={() => void show(before)}>
          Bring {before} back
        </Button>
      )}
    </li>
  );
}
