import { Link } from "@tanstack/react-router";
import { memo } from "react";
import type { Member } from "../api/family";
import type { PageName } from "../proof/pages";
import { counted } from "../ui/counted";
import type { Listed } from "../ui/listed";
import { Sentence } from "../ui/Sentence";
import classes from "./Family.module.css";
import { RowMenu } from "./RowMenu";
import { ThemePicture } from "./ThemePicture";
import type { Question } from "./view";

const day = new Intl.DateTimeFormat(undefined, { dateStyle: "medium", timeStyle: "short" });

/** The most decisions that are named in a row. */
const MOST = 4;

interface Props {
  row: Listed<Member>;
  page: PageName;
  onAsk: (about: Question, of: string) => void;
}

/**
 * One theme: its name and brand, what it decides itself, how it stands, and how it looks. Scrolling brings
 * rows and takes them away; those that stay are not drawn anew.
 */
export const FamilyRow = memo(({ row: { theme, depth, slug }, page, onAsk }: Props) => {
  return (
    <article
      className={classes.theme}
      style={{ "--depth": depth } as React.CSSProperties}
      aria-label={theme.name}
    >
      <div className={classes.about}>
        <h2>
          {depth > 0 && (
            <span className={classes.branch} aria-hidden="true">
              ↳
            </span>
          )}
          <Link to="/themes/$slug/$stage" params={{ slug: theme.slug, stage: "stave" }}>
            {theme.name}
          </Link>
          {slug && <small>{slug}</small>}
        </h2>
        <span className={classes.strip} aria-hidden="true">
          {theme.colors.map((color, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a place in the row is what it is
            <span key={i} style={{ background: color }} />
          ))}
        </span>
        {depth > 0 && <p className={classes.own}>{own(theme.own)}</p>}
        <p className={classes.state}>
          <State member={theme} />
        </p>
        <p className={classes.last}>
          rev {theme.revision} · <Sentence text={theme.label} /> · {day.format(new Date(theme.updatedAt))}
        </p>
      </div>
      <RowMenu member={theme} onAsk={onAsk} />
      <div className={classes.pictures}>
        {(["light", "dark"] as const).map((mode) => (
          <ThemePicture key={mode} member={theme} page={page} mode={mode} />
        ))}
      </div>
    </article>
  );
});

function own(decisions: string[]): string {
  if (decisions.length === 0) return "nothing of its own: it is its parent";
  const named = decisions.slice(0, MOST).join(" · ");
  const more = decisions.length - MOST;
  return `own: ${named}${more > 0 ? ` and ${more} more` : ""}`;
}

/** How it stands in Check. */
function State({ member }: { member: Member }) {
  if (member.broken) return <span className={classes.alarm}>comes to nothing: {member.broken}</span>;
  const found = member.errors + member.warnings;
  if (found === 0) return <>every pair readable, nothing found</>;
  const to = { to: "/themes/$slug/$stage", params: { slug: member.slug, stage: "check" } } as const;
  return (
    <Link {...to} className={member.errors > 0 ? classes.alarm : undefined}>
      {member.errors > 0 ? counted(member.errors, "error") : counted(found, "finding")}
    </Link>
  );
}
