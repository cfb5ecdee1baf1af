import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import { problemOf } from "../api/client";
import { numberOf } from "../api/numberOf";
import { pageAddress, recolorPage } from "../api/page";
import { useEditorState } from "../editor/EditorProvider";
import { documentOf, themeOf } from "../editor/selectors";
import { alterExisting, fromOf, useExisting } from "../existing/existing";
import { ChooseFiles } from "../ui/ChooseFiles";
import { counted } from "../ui/counted";
import { Swatch } from "../ui/Swatch";
import { Divide } from "./Divide";
import { OwnFrame, type Seen } from "./OwnFrame";
import own from "./OwnPane.module.css";
import classes from "./ProofPane.module.css";
import { useOwnPage } from "./useOwnPage";

interface Props {
  share: number;
  onShare: (share: number) => void;
  zoom: number;
}

/** A page of one's own: as it came, and with other colours. */
export function OwnPane({ share, onShare, zoom }: Props) {
  const theme = useEditorState(themeOf);
  const spec = useEditorState(documentOf);
  const existing = useExisting(theme.id);
  const [seen, setSeen] = useState<Seen>();
  const { page, bring, remove, refusal } = useOwnPage();
  const { map, kin, comments, from, toVariables, faces } = existing;
  const wanted = { map, kin, comments, from: fromOf(from), toVariables, faces };
  const [sheet, setSheet] = useState(false);
  const navigate = useNavigate();
  /** To the line of the map that a place's colour stands in. */
  const pick = ({ ground, text }: Seen) => {
    const known = existing.files.some((file) => file.text.toLowerCase().includes(ground)) ? ground : text;
    alterExisting(theme.id, { at: known });
    void navigate({
      to: "/themes/$slug/$stage",
      params: { slug: theme.slug, stage: "handoff" },
      search: (s) => ({ ...s, side: "existing" }),
    });
  };
  const recolored = useQuery({
    queryKey: ["own-version", page?.id, numberOf(spec), wanted, sheet],
    queryFn: () => recolorPage(page?.id ?? "", spec, wanted, sheet),
    enabled: Boolean(page),
    placeholderData: (before) => before,
    retry: false,
  });
  const choose = (
    <span className={own.choose}>
      <ChooseFiles
        folder="Folder of the page"
        words={page ? "Another page …" : "Choose files or a ZIP …"}
        onFiles={(files) => void bring(files)}
      />
      {page && (
        <Button size="compact-sm" variant="default" onClick={() => void remove()}>
          Remove
        </Button>
      )}
    </span>
  );
  return (
    <>
      <div className={own.bar}>
        {page ? (
          <>
            <span>{page.entry}, as it came |</span>
            <select
              className={classes.against}
              aria-label="Right half"
              value={sheet ? "sheet" : ""}
              onChange={(e) => setSheet(e.currentTarget.value === "sheet")}
            >
              <option value="">recoloured: {counted(recolored.data?.changed ?? 0, "place")}</option>
              <option value="sheet">and painted by the theme's sheet</option>
            </select>
          </>
        ) : (
          <span>
            A page of your own with its style sheets, pictures and fonts. Nothing in it runs, nothing is
            fetched.
          </span>
        )}
        {choose}
      </div>
      {(refusal ?? recolored.error) && (
        <p role="alert" className={own.refusal}>
          {refusal ?? problemOf(recolored.error).detail}
        </p>
      )}
      {page && (
        <div className={classes.halves}>
          <OwnFrame
            title="as it came"
            src={pageAddress(page, "as-it-came")}
            grow={share}
            zoom={zoom}
            onSeen={setSeen}
            onPick={pick}
          />
          <Divide share={share} onShare={onShare} />
          <OwnFrame
            title="recoloured"
            src={recolored.data && pageAddress(page, recolored.data.version)}
            grow={1 - share}
            zoom={zoom}
            onSeen={setSeen}
            onPick={pick}
          />
        </div>
      )}
      {page && (
        <p className={classes.paint} aria-live="off">
          {seen ? (
            <>
              <code>{seen.rule ?? seen.what}</code>
              <span>
                text <Swatch colors={[seen.text]} /> <b>{seen.text}</b>
              </span>
              <span>
                ground <Swatch colors={[seen.ground]} /> <b>{seen.ground}</b>
              </span>
            </>
          ) : (
            "Point at anything to see its rule and its colours; a click leads to the map."
          )}
        </p>
      )}
    </>
  );
}
