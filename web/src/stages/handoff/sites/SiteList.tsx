import { Button } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { refusalIn } from "../../../api/client";
import { sitesOf } from "../../../api/sites";
import { useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import { counted } from "../../../ui/counted";
import { OneSite } from "./OneSite";
import classes from "./Sites.module.css";
import { SlotTable } from "./SlotTable";

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
    // The table stays in sight while a choice is looked at.
    placeholderData: (before) => before,
  });
  const choose = (slot: string, path: string) =>
    setSlots(({ [slot]: _, ...others }) => (path === "" ? others : { ...others, [slot]: path }));
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
      <SlotTable slots={data.slots} onChoose={choose} />
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
