import { useQueryClient } from "@tanstack/react-query";
import { problemOf } from "../../../api/client";
import { useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import { offer } from "../tray";
import { Keeping } from "./library/Keeping";
import classes from "./library/Library.module.css";
import { Looking } from "./library/Looking";
import { SetList } from "./library/SetList";
import { candidatesOfSet } from "./library/trying";
import { useLibrary } from "./library/useLibrary";
import { useTrying } from "./library/useTrying";
import source from "./Source.module.css";

/** Sets of colours, one's own and other people's: looked for, tried on the theme, kept. */
export default function LibrarySource() {
  const { id } = useEditorState(themeOf);
  const { wanted, want, found } = useLibrary();
  const trying = useTrying();
  const client = useQueryClient();
  const again = () => void client.invalidateQueries({ queryKey: ["sets"] });
  const { data, error } = found;
  return (
    <section className={source.source} aria-label="Library">
      <Looking wanted={wanted} onWant={want} />
      {error && (
        <p role="alert" className={source.refusal}>
          {problemOf(error).detail}
        </p>
      )}
      {data && !error && (
        <>
          <SetList
            sets={data.sets}
            mine={wanted.from === "here"}
            trying={trying}
            onHold={(set) => offer(id, candidatesOfSet(set))}
            onOwner={(owner) => want({ owner })}
            onChanged={again}
          />
          {data.total === 0 && (
            <p className={classes.none}>
              {wanted.word || wanted.owner
                ? "No set is like that."
                : "No set is kept yet: keep this brand as one below."}
            </p>
          )}
          {data.pages > 1 && (
            <div className={classes.pages}>
              <button type="button" disabled={data.page <= 1} onClick={() => want({ page: data.page - 1 })}>
                earlier
              </button>
              page {data.page} of {data.pages}
              <button
                type="button"
                disabled={data.page >= data.pages}
                onClick={() => want({ page: data.page + 1 })}
              >
                further
              </button>
            </div>
          )}
        </>
      )}
      <Keeping
        onKept={() => {
          want({ from: "here", word: "", owner: "", near: [], seed: undefined });
          again();
        }}
      />
    </section>
  );
}
