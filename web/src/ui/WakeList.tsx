import type { Wake } from "../api/client";
import { counted } from "./counted";
import { type Moved, type MovedGroup, movedGroups } from "./moved";
import { isColor } from "./Swatch";
import { Told } from "./Told";
import classes from "./WakeList.module.css";

type Props = Pick<Wake, "changes"> & Partial<Pick<Wake, "more">>;

/** Tokens before and after, by scale and by family of roles, what differs most first. */
export function WakeList({ changes, more }: Props) {
  return (
    <div className={classes.list}>
      {movedGroups({ changes, more }).map((group) => (
        <Group key={group.name} group={group} />
      ))}
    </div>
  );
}

function Group({ group: { name, moved } }: { group: MovedGroup }) {
  return (
    <section aria-label={name}>
      <header className={classes.head}>
        <h3>{name}</h3>
        <span>{counted(moved.length, "value")}</span>
        <Strips moved={moved} />
      </header>
      <table className={classes.rows}>
        <thead className={classes.unseen}>
          <tr>
            <th>Token</th>
            <th>Mode</th>
            <th>Before</th>
            <th>After</th>
            <th>Difference</th>
          </tr>
        </thead>
        <tbody>
          {moved.map((m) => (
            <tr key={`${m.path} ${m.mode} ${m.level}`}>
              <th scope="row">{m.path}</th>
              <td>{modeTold(m)}</td>
              <td>
                <Told value={m.before} none="none" />
              </td>
              <td>
                <Told value={m.after} none="none" />
              </td>
              <td title="Difference by CIEDE2000: about 2 is just seen">{m.difference?.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const modeTold = ({ mode, level }: Moved) =>
  level === "more" ? `${mode ?? "both"}, more contrast` : (mode ?? "both");

/** The colours of a group before, and under them after, in the order of their paths. */
function Strips({ moved }: { moved: Moved[] }) {
  const colors = moved
    .filter((m) => isColor(m.before) && isColor(m.after))
    .sort((a, b) => a.path.localeCompare(b.path, undefined, { numeric: true }));
  if (colors.length === 0) return null;
  return (
    <span className={classes.strips} aria-hidden="true">
      {colors.map((m) => (
        <span key={`${m.path} ${m.mode} ${m.level}`}>
          <i style={{ background: m.before ?? undefined }} />
          <i style={{ background: m.after ?? undefined }} />
        </span>
      ))}
    </span>
  );
}
