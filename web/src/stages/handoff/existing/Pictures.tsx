import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { problemOf } from "../../../api/client";
import { repaint } from "../../../api/exist";
import { saveFile } from "../../../api/save";
import classes from "./Existing.module.css";
import { colorsQuery } from "./usePictureColors";

interface Props {
  pictures: File[];
  /** Old codes with new ones. */
  pairs: [string, string][];
}

/** Pictures before and after. */
export function Pictures({ pictures, pairs }: Props) {
  return (
    <ul className={classes.pictures} aria-label="Pictures">
      {pictures.map((picture) => (
        <Before key={picture.name} picture={picture} pairs={pairs} />
      ))}
    </ul>
  );
}

/** An address for bytes, as long as they are shown. */
function useAddress(blob: Blob | undefined): string | undefined {
  const [address, setAddress] = useState<string>();
  useEffect(() => {
    if (!blob) return;
    const made = URL.createObjectURL(blob);
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [blob]);
  return address;
}

function Before({ picture, pairs }: { picture: File; pairs: [string, string][] }) {
  const { data, error } = useQuery({
    queryKey: ["repaint", picture.name, picture.size, picture.lastModified, pairs],
    queryFn: () => repaint(picture, pairs),
    enabled: pairs.length > 0,
    gcTime: 30_000,
    retry: false,
  });
  const { error: unread } = useQuery(colorsQuery(picture));
  const refusal = unread ?? error;
  const [before, after] = [useAddress(picture), useAddress(data)];
  return (
    <li>
      <b>{picture.name}</b>
      <span>
        {before && <img src={before} alt={`${picture.name}, as it came`} />}
        {after && <img src={after} alt={`${picture.name}, recoloured`} />}
      </span>
      {refusal && <small role="alert">{problemOf(refusal).detail}</small>}
      {!refusal && pairs.length === 0 && <small>no line of the map changes one of its colours yet</small>}
      {data && (
        <button type="button" onClick={() => saveFile(picture.name, data)}>
          Download
        </button>
      )}
    </li>
  );
}
