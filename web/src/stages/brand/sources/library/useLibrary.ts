import { useDebouncedValue } from "@mantine/hooks";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { findSets, type SetsWanted } from "../../../../api/sets";

/** After how long a pause of typing it is looked for, in ms. */
const PAUSE = 200;

/** Which sets are looked for, and what is found. */
export function useLibrary() {
  const [wanted, setWanted] = useState<SetsWanted>({
    from: "here",
    word: "",
    owner: "",
    near: [],
    seed: undefined,
    page: 1,
  });
  const [asked] = useDebouncedValue(wanted, PAUSE);
  const found = useQuery({
    queryKey: ["sets", asked],
    queryFn: () => findSets(asked),
    placeholderData: keepPreviousData,
    retry: false,
  });
  /** Looks for others, from the first page on. */
  const want = (change: Partial<SetsWanted>) => setWanted({ ...wanted, page: 1, ...change });
  return { wanted, want, found };
}
