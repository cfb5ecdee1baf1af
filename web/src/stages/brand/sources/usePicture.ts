import { useRef, useState } from "react";
import { problemOf } from "../../../api/client";
import { addPicture, type PictureView } from "../../../api/picture";

interface Reading {
  name: string;
  stop: () => void;
}

/** Reads pictures one after the other; what is refused is told, and what is read can be stopped. */
export function usePicture(onRead: (name: string, picture: PictureView) => void) {
  const [reading, setReading] = useState<Reading>();
  const [refusal, setRefusal] = useState<string>();
  const told = useRef(onRead);
  told.current = onRead;
  const read = async (files: File[]) => {
    setRefusal(undefined);
    for (const file of files) {
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
