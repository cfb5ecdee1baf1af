import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { problemOf } from "../../../api/client";
import { type Inventory, ours, type SourceFile, takeInventory, textsOf } from "../../../api/inventory";
import { vocabularyQuery } from "../../../api/queries";
import { unpacked } from "../../../api/unpacked";

interface Reading {
  done: number;
  all: number;
  stop: () => void;
}

/** Reads the files of a project and takes stock of their colours; says how far it is, and stops when told. */
export function useInventory() {
  const { data } = useQuery(vocabularyQuery);
  const [files, setFiles] = useState<SourceFile[]>([]);
  const [passed, setPassed] = useState(0);
  const [near, setNear] = useState(2.3);
  const [found, setFound] = useState<Inventory>();
  const [reading, setReading] = useState<Reading>();
  const [refusal, setRefusal] = useState<string>();
  const latest = useRef<AbortController>(undefined);

  const count = async (texts: SourceFile[], near: number, ending: AbortController) => {
    try {
      setFound(await takeInventory(texts, near, ending.signal));
    } catch (error) {
      if (!ending.signal.aborted) setRefusal(problemOf(error).detail);
    }
  };

  const read = async (chosen: File[]) => {
    if (!data || chosen.length === 0) return;
    latest.current?.abort();
    const ending = new AbortController();
    latest.current = ending;
    setRefusal(undefined);
    let files: File[];
    try {
      files = await unpacked(chosen);
    } catch (error) {
      return setRefusal(problemOf(error).detail);
    }
    const { taken, passed } = ours(files, data.sources);
    setPassed(passed);
    if (taken.length === 0) {
      setRefusal(`none of ${files.length} files is a text in which colours are found`);
      return;
    }
    const { texts, refusal } = await textsOf(taken, data.sources, (done) => {
      if (ending.signal.aborted) return false;
      if (done % 25 === 0) setReading({ done, all: taken.length, stop: () => ending.abort() });
      return true;
    });
    setRefusal(refusal);
    if (!ending.signal.aborted) {
      setReading({ done: taken.length, all: taken.length, stop: () => ending.abort() });
      setFiles(texts);
      await count(texts, near, ending);
    }
    setReading(undefined);
  };

  const again = useRef(count);
  again.current = count;
  const texts = useRef(files);
  texts.current = files;
  useEffect(() => {
    if (texts.current.length === 0) return;
    const ending = new AbortController();
    void again.current(texts.current, near, ending);
    return () => ending.abort();
  }, [near]);

  return { files, passed, near, setNear, found, reading, refusal, read };
}
