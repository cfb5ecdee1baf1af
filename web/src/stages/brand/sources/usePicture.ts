import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { problemOf } from "../../../api/client";
import { addPicture, type PictureView } from "../../../api/picture";
import { vocabularyQuery } from "../../../api/queries";
import { tooLarge } from "../../../api/size";

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
    const refuse = (why: string) => setRefusal((before) => (before ? `${before}; ${why}` : why));
    for (const file of files) {
      const large = tooLarge(`${file.name}: a file`, file.size, data?.pictures.bytes);
      if (large) {
        refuse(large);
        continue;
      }
      const ending = new AbortController();
      setReading({ name: file.name, stop: () => ending.abort() });
      try {
        told.current(file.name || "pasted picture", await addPicture(file, ending.signal));
      } catch (error) {
        if (!ending.signal.aborted) refuse(`${file.name || "The picture"}: ${problemOf(error).detail}`);
      }
    }
    setReading(undefined);
  };
  return { reading, refusal, read };
}
