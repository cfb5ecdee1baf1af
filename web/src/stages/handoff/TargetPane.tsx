import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { answer, api, problemOf, refusalIn, type Target, type ThemeDocument } from "../../api/client";
import { numberOf } from "../../api/numberOf";
import { useEditorState } from "../../editor/EditorProvider";
import { documentOf, themeOf } from "../../editor/selectors";
import type { Outcome } from "../../editor/state";
import { OwnHere } from "../../lineage/OwnHere";
import { usePart } from "../../lineage/useLineage";
import { CopyButton } from "../../ui/CopyButton";
import { useOnce } from "../../ui/useOnce";
import { DRAFT, type Edition, editionOf } from "./edition";
import { FileView } from "./FileView";
import classes from "./HandoffStage.module.css";
import { Into } from "./Into";
import { OptionField } from "./OptionField";
import type { Options } from "./useHandoff";
import { Warnings } from "./Warnings";

interface Props {
  target: Target;
  remembered: Options;
  onRemember: (option: string, value: string) => Promise<Outcome>;
}

/** The status of what cannot be taken as it was typed; others say nothing of it. */
const REFUSED = 422;

const exported = (slug: string, spec: ThemeDocument, target: string, options: Options, saved: Edition) =>
  answer(api.POST("/api/export", { body: { spec, target, options, ...saved, theme: slug } }));

/** One target: its options, its files as they are now, and what it cannot carry. */
export function TargetPane({ target, remembered: kept, onRemember }: Props) {
  // The place in a project is no option of the target itself.
  const { into = "", ...remembered } = kept;
  const spec = useEditorState(documentOf);
  const theme = useEditorState(themeOf);
  const brand = (usePart((d) => d.brand) ?? []).map(({ slug, name, color }) => ({
    id: slug ?? name,
    name,
    color,
  }));
  const before = useEditorState((s) => s.before);
  const [refusals, setRefusals] = useState<Record<string, string>>({});
  const [typed, setTyped] = useState<Options>({});
  const once = useOnce();
  const [entered, setEntered] = useState(target.options[0]);
  const options = { ...remembered, ...typed };
  const saved = editionOf(theme, spec);
  const { data, error } = useQuery({
    queryKey: ["export", target.id, options, saved.revision, numberOf(spec)],
    queryFn: () => exported(theme.slug, spec, target.id, options, saved),
    placeholderData: keepPreviousData,
    gcTime: 60_000,
    retry: false,
  });
  const [good, setGood] = useState(data);
  if (data && data !== good) setGood(data);
  const unsettled = Object.keys(typed);
  /** The option that was typed and is not taken as it stands: the last good file stays meanwhile. */
  const isRefused = error !== null && problemOf(error).status === REFUSED;
  const faulty = isRefused ? (unsettled.find((key) => key === entered?.key) ?? unsettled[0]) : undefined;
  // A long file is laid out in parts, between which keys and pointer are heard.
  const written = useDeferredValue(data ?? (faulty ? good : undefined));
  const { data: earlier } = useQuery({
    queryKey: ["export", target.id, options, null, before && numberOf(before)],
    queryFn: () => exported(theme.slug, before as ThemeDocument, target.id, options, DRAFT),
    enabled: before !== undefined,
    gcTime: 60_000,
    retry: false,
  });
  /** Saves a choice once the server takes it; what it refuses stays as typed. */
  const save = async (key: string, value: string) => {
    const next = { ...remembered, [key]: value };
    try {
      await exported(theme.slug, spec, target.id, next, DRAFT);
      await onRemember(key, value);
      setTyped(({ [key]: last, ...rest }) =>
        last === undefined || last === value ? rest : { ...rest, [key]: last },
      );
    } catch (refused) {
      setRefusals((all) => ({ ...all, [key]: refusalIn(refused) }));
    }
  };
  const set = (key: string, value: string, done: boolean) => {
    setTyped((before) => ({ ...before, [key]: value }));
    setRefusals(({ [key]: _, ...rest }) => rest);
    if (done) void once(key, value, () => save(key, value));
  };
  const leave = (key: string) => {
    const value = typed[key];
    if (value !== undefined && value !== remembered[key]) void once(key, value, () => save(key, value));
  };
  const isOption = (word: string) => target.options.some(({ key }) => key === word);
  /** What is said of an option: why it is refused, or what of it comes to nothing. */
  const saidOf = (key: string) =>
    refusals[key] ??
    (key === faulty ? refusalIn(error) : undefined) ??
    written?.warnings.find(({ token }) => token === key)?.message;
  return (
    <div className={classes.pane}>
      <h2 className={classes.title}>{target.name}</h2>
      {target.options.length > 0 && (
        <>
          <div className={classes.options}>
            {target.options.map((o) => (
              <OptionField
                key={o.key}
                option={o}
                brand={brand}
                error={saidOf(o.key)}
                value={options[o.key] ?? written?.options[o.key] ?? o.default}
                onChange={(value, done) => set(o.key, value, done)}
                onEnter={() => setEntered(o)}
                onLeave={() => leave(o.key)}
              />
            ))}
          </div>
          <p className={classes.help}>
            <b>{entered?.key}</b> {entered?.help}
          </p>
        </>
      )}
      <Into value={into} onRemember={onRemember} />
      <OwnHere at={[`/handoff/${target.id}`, "/pack"]} />
      {error && !faulty && (
        <p className={classes.error} role="alert">
          {error.message}
        </p>
      )}
      {written && (faulty || !error) && (
        <>
          <FileView files={written.files} before={earlier?.files} />
          <Warnings warnings={written.warnings.filter(({ token }) => !isOption(token))} />
          <p className={classes.usage}>{written.usage}</p>
          <p className={classes.usage}>
            In a pipeline: <CopyButton text={written.command} />
          </p>
        </>
      )}
    </div>
  );
}
