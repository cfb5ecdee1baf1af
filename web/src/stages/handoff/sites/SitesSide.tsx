import { Button, Group } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { refusalIn } from "../../../api/client";
import { type Published, publish, publishedQuery, withdraw } from "../../../api/published";
import { useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import { CopyButton } from "../../../ui/CopyButton";
import { SiteList } from "./SiteList";
import classes from "./Sites.module.css";

/** The theme as a file that pages load: published, replaced, withdrawn. */
export default function SitesSide() {
  const { slug, revision } = useEditorState(themeOf);
  const client = useQueryClient();
  const query = publishedQuery(slug, revision);
  const { data } = useQuery(query);
  const [refusal, setRefusal] = useState<string>();
  const take = (request: Promise<Published>) => {
    setRefusal(undefined);
    request
      .then((now) => client.setQueryData(query.queryKey, now))
      .catch((error) => setRefusal(refusalIn(error)));
  };
  return (
    <section className={classes.side} aria-label="Published">
      <h2>Published</h2>
      <p className={classes.help}>
        A style sheet under a name that changes with its content: browsers and networks may hold it for ever,
        and what a page loads today is there tomorrow.
      </p>
      {data && <Standing published={data} revision={revision} />}
      {data?.open && (
        <Group gap="xs">
          <Button
            size="xs"
            disabled={data.current !== null && !data.isBehind}
            onClick={() => take(publish(slug))}
          >
            {data.current ? `Publish revision ${revision}` : "Publish"}
          </Button>
          {data.current && (
            <Button size="xs" variant="default" onClick={() => take(withdraw(slug))}>
              Withdraw
            </Button>
          )}
        </Group>
      )}
      {refusal && (
        <p role="alert" className={classes.alarm}>
          {refusal}
        </p>
      )}
      {data && data.files.length > 0 && (
        <>
          <h3>Every file</h3>
          <ul className={classes.files} aria-label="Every file">
            {data.files.map((one) => (
              <li key={one.file}>
                <a href={`/published/${one.file}`}>{one.file}</a>
                <span>{one.revision ? `rev ${one.revision}` : ""}</span>
                {data.current === `/published/${one.file}` && <b>current</b>}
              </li>
            ))}
          </ul>
        </>
      )}
      <SiteList />
      <p className={classes.help}>
        In a pipeline: <CopyButton text={`rhodon publish ${slug}.rhodon.json --to published`} />
      </p>
    </section>
  );
}

/** What is current, and the line that loads it. */
function Standing({ published, revision }: { published: Published; revision: number }) {
  if (!published.open) {
    return (
      <p>This server publishes nothing: start it with --published and a folder, or s3://bucket/folder.</p>
    );
  }
  if (!published.current) return <p>Nothing of this theme is current.</p>;
  const address = new URL(published.current, window.location.href).href;
  return (
    <>
      <p>
        {published.isBehind
          ? `The theme has changed since: it is at revision ${revision}.`
          : "As the theme is now."}
      </p>
      <p className={classes.line}>
        <CopyButton text={`<link rel="stylesheet" href="${address}">`} />
      </p>
    </>
  );
}
