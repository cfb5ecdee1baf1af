import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { problemOf } from "../../../api/client";
import { ours, textsOf } from "../../../api/inventory";
import { vocabularyQuery } from "../../../api/queries";
import { tooLarge } from "../../../api/size";
import { unpacked } from "../../../api/unpacked";
import { alterExisting, useExisting } from "../../../existing/existing";
import { counted } from "../../../ui/counted";
import { useDropped } from "../../../ui/dropped";

/** Pictures of points that can be written again. */
const PICTURE = /\.(png|webp|jpe?g)$/i;

/** Takes files that are brought to be recoloured, chosen or dropped, and tells what was left. */
export function useBrought(theme: string) {
  const { data: vocabulary } = useQuery(vocabularyQuery);
  const { files, pictures } = useExisting(theme);
  const [told, setTold] = useState<string>();
  const bring = async (chosen: File[]) => {
    if (!vocabulary || chosen.length === 0) return;
    const { sources } = vocabulary;
    let brought: File[];
    try {
      brought = await unpacked(chosen);
    } catch (error) {
      return setTold(problemOf(error).detail);
    }
    const { taken, passed } = ours(brought, sources);
    const large = (file: File) => tooLarge(`${file.name}: a file`, file.size, vocabulary.pictures.bytes);
    const images = brought.filter((file) => PICTURE.test(file.name) && !large(file));
    const held = files.reduce((sum, file) => sum + file.text.length, 0);
    const { texts, refusal } = await textsOf(taken, { bytes: sources.bytes - held });
    const left = passed - images.length;
    const refused = brought.map(large).find((sentence) => sentence !== undefined);
    setTold(refusal ?? refused ?? (left > 0 ? `${counted(left, "file")} passed over` : undefined));
    const known = new Set(texts.map((file) => file.name));
    alterExisting(theme, {
      files: [...files.filter((file) => !known.has(file.name)), ...texts],
      pictures: [...pictures.filter((p) => !images.some((i) => i.name === p.name)), ...images],
    });
  };
  useDropped((dropped) => void bring(dropped), vocabulary !== undefined);
  return { told, bring };
}
