import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { type Member, pictureQuery } from "../api/family";
import { paintPage } from "../proof/adopt";
import type { PageName } from "../proof/pages";
import { useTurn } from "../ui/useTurn";
import classes from "./Family.module.css";

interface Props {
  member: Member;
  page: PageName;
  mode: "light" | "dark";
}

/** A small picture of a page of the proof, painted by the theme's own export. */
export function ThemePicture({ member, page, mode }: Props) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [loads, setLoads] = useState(0);
  const { data: sheets } = useQuery(pictureQuery(member.slug, member.revision));
  const turn = useTurn();
  const painted = loads > 0 && sheets !== undefined;
  useEffect(() => {
    const target = frame.current?.contentWindow as (Window & typeof globalThis) | null | undefined;
    if (loads === 0 || !target || !sheets) return;
    paintPage(target, sheets);
  }, [loads, sheets]);
  return (
    <div className={classes.picture} data-painted={painted || undefined}>
      {turn && (
        <iframe
          ref={frame}
          style={{ colorScheme: mode }}
          src={`/proof.html?mode=${mode}&page=${page}`}
          title={`${member.name}: ${page}, ${mode}`}
          aria-hidden="true"
          tabIndex={-1}
          onLoad={() => setLoads((n) => n + 1)}
        />
      )}
    </div>
  );
}
