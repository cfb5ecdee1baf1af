import { Button } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { refusalIn } from "../../../api/client";
import { chooseSlot, register, sitesQuery } from "../../../api/sites";
import { useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import { counted } from "../../../ui/counted";
import { OneSite } from "./OneSite";
import classes from "./Sites.module.css";
import { SlotTable } from "./SlotTable";

/** Sites that take a theme by name: what they take of it, and what each shows. */
export function SiteList() {
  const { slug, revision } = useEditorState(themeOf);
  const client = useQueryClient();
  const [told, setTold] = useState<string>();
  const [refusal, setRefusal] = useState<string>();
  const query = sitesQuery(slug, revision);
  const { data, error } = useQuery(query);
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
      <SlotTable
        slots={data.slots}
        onChoose={async (slot, path) =>
          client.setQueryData(query.queryKey, await chooseSlot(slug, data, slot, path))
        }
      />
      <div>
        <Button
          size="xs"
          onClick={() =>
            void act(async () => {
              await register(slug);
              return `${data.name} is registered`;
            })
          }
        >
          {data.registered ? "Publish and register anew" : "Publish and register"}
        </Button>
      </div>
      {data.formerly.length > 0 && (
        <p>
          Before it was renamed it was registered as {data.formerly.join(", ")}: sites that show that name go
          on showing the file of then.
        </p>
      )}
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
