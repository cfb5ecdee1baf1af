import { Button, TextInput } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { refusalIn } from "../../../api/client";
import { applyToSite, type Site, sitesOf } from "../../../api/sites";
import { useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import { counted } from "../../../ui/counted";
import { isColor, Swatch } from "../../../ui/Swatch";
import classes from "./Sites.module.css";

/** Sites that take a theme by name: what they take of it, and what each shows. */
export function SiteList() {
  const { id, slug, revision } = useEditorState(themeOf);
  const client = useQueryClient();
  const [slots, setSlots] = useLocalStorage<Record<string, string>>({
    key: `rhodon-slots-${id}`,
    defaultValue: {},
  });
  const [told, setTold] = useState<string>();
  const [refusal, setRefusal] = useState<string>();
  const key = ["sites", slug, revision, slots];
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: () => sitesOf(slug, slots, false),
    retry: false,
  });
  const act = async (what: () => Promise<string | undefined>) => {
    setRefusal(undefined);
    setTold(undefined);
    try {
      setTold(await what());
    } catch (failure) {
      setRefusal(refusalIn(failure));
    }
    await client.invalidateQueries({ queryKey: ["sites"] });
    await client.invalidateQueries({ queryKey: ["published"] });
  };
  if (error) return <p role="alert">{refusalIn(error)}</p>;
  if (!data?.open) return null;
  return (
    <section className={classes.sites} aria-label="Sites">
      <h2>Sites</h2>
      <p className={classes.help}>
        They take a theme by name, and less than it has: {counted(data.slots.length, "slot")}, colours as six
        digits.
        {` ${data.beyond} tokens have no slot there.`}
      </p>
      <table className={classes.slots}>
        <thead>
          <tr>
            <th scope="col">Slot</th>
            <th scope="col">Takes</th>
            <th scope="col">As</th>
          </tr>
        </thead>
        <tbody>
          {data.slots.map((slot) => (
            <tr key={slot.slot}>
              <th scope="row" title={slot.meaning}>
                {slot.slot}
              </th>
              <td>
                <TextInput
                  size="xs"
                  aria-label={`What ${slot.slot} takes`}
                  placeholder="token"
                  defaultValue={slot.token ?? ""}
                  onBlur={(e) => {
                    const path = e.currentTarget.value.trim();
                    if (path && path !== slot.token) setSlots((all) => ({ ...all, [slot.slot]: path }));
                  }}
                />
              </td>
              <td>
                {isColor(slot.value) && <Swatch colors={[slot.value]} />} {slot.value ?? slot.why}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div>
        <Button
          size="xs"
          onClick={() =>
            void act(async () => {
              await sitesOf(slug, slots, true);
              return `${data.name} is registered`;
            })
          }
        >
          {data.registered ? "Publish and register anew" : "Publish and register"}
        </Button>
      </div>
      <ul className={classes.files}>
        {data.sites.map((site) => (
          <OneSite
            key={site.id}
            site={site}
            name={data.name}
            registered={data.registered !== null}
            act={act}
          />
        ))}
      </ul>
      {told && <p role="status">{told}</p>}
      {refusal && (
        <p role="alert" className={classes.alarm}>
          {refusal}
        </p>
      )}
    </section>
  );
}

interface OneProps {
  site: Site;
  name: string;
  registered: boolean;
  act: (what: () => Promise<string | undefined>) => Promise<void>;
}

/** One site: what it shows, and what it showed before. */
function OneSite({ site, name, registered, act }: OneProps) {
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
