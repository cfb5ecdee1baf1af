import { Button } from "@mantine/core";
import { IconX } from "@tabler/icons-react";
import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { useEditorState } from "../../editor/EditorProvider";
import { themeOf } from "../../editor/selectors";
import { useBrand } from "../../lineage/useLineage";
import { counted } from "../../ui/counted";
import classes from "./BrandStage.module.css";
import { drags } from "./drag";
import { told } from "./provenance";
import { useTray, withdraw } from "./tray";
import { useTake } from "./useTake";

/** What the sources offer, held beside the brand until it is taken or emptied. */
export function Tray() {
  const { id } = useEditorState(themeOf);
  const brand = useBrand();
  const tray = useTray(id);
  const take = useTake();
  const colors = tray.map((one) => one.color);
  const among = brand.map((b) => b.color);
  const { data: near } = useQuery({
    queryKey: ["nearest", colors, among],
    queryFn: () => answer(api.POST("/api/nearest", { body: { colors, among } })),
    enabled: colors.length > 0 && among.length > 0,
    placeholderData: (before) => (before?.length === colors.length ? before : undefined),
  });
  if (tray.length === 0) return null;
  const nearness = (index: number) => {
    const found = near?.[index];
    const other = found && brand[found.index];
    if (!found || !other) return "";
    return found.difference < 0.5 ? `is ${other.name}` : `${found.difference.toFixed(0)} from ${other.name}`;
  };
  return (
    <section className={classes.tray} aria-label="Tray">
      <ul>
        {tray.map((one, i) => (
          <li key={one.key} {...drags({ candidate: one.key, name: one.name, color: one.color })}>
            <button
              type="button"
              className={classes.candidate}
              title={`Take ${one.name}, ${told(one.from)}`}
              onClick={() => void take([one.key])}
            >
              <i className="visually-hidden">Take </i>
              <span style={{ background: one.color }} />
              <b>{one.name}</b> <code>{one.color}</code> <small>{nearness(i)}</small>
            </button>
            <button
              type="button"
              className={classes.leave}
              aria-label={`Leave ${one.name} ${one.color}`}
              onClick={() => withdraw(id, [one.key])}
            >
              <IconX size={12} />
            </button>
          </li>
        ))}
      </ul>
      <div className={classes.trayTools}>
        <span>{counted(tray.length, "candidate")}</span>
        <Button size="compact-xs" onClick={() => void take(tray.map((one) => one.key))}>
          Take all
        </Button>
        <Button
          size="compact-xs"
          variant="default"
          onClick={() =>
            withdraw(
              id,
              tray.map((one) => one.key),
            )
          }
        >
          Empty
        </Button>
      </div>
    </section>
  );
}
