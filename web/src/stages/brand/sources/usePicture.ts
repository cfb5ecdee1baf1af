import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { problemOf } from "../../../api/client";
import { addPicture, type PictureView } from "../../../api/picture";
import { vocabularyQuery } from "../../../api/queries";

interface Reading {
  name: string;
  stop: () => void;
}

/** Reads pictures one after the other; what is refused is told, and what is read can be stopped. */
export function usePicture(onRead: (name: string, picture: PictureView) => void) {
  const [reading, setReading] = useState<Reading>();
  const [refusal, setRefusal] = useState<string>();
  const { data } = useQuery(vocabularyQuery);
  const told = useRef(onRead);
  told.current = onRead;
  const read = async (files: File[]) => {
    setRefusal(undefined);
    const most = data?.pictures.bytes ?? Number.POSITIVE_INFINITY;
    const inMb = (bytes: number) => Math.round(bytes / 1_000_000);
    for (const file of files) {
      if (file.size > most) {
        // The server would close the door on it without a word that a browser tells.
        setRefusal(`${file.name}: a file of ${inMb(file.size)} MB: expected at most ${inMb(most)} MB`);
        continue;
      }
      const ending = new AbortController();
      setReading({ name: file.name, stop: () => ending.abort() });
      try {
        told.current(file.name || "pasted picture", await addPicture(file, ending.signal));
      } catch (error) {
        if (!ending.signal.aborted) setRefusal(`${file.name || "The picture"}: ${problemOf(error).detail}`);
      }
    }
    setReading(undefined);
  };
  return { reading, refusal, read };
}
