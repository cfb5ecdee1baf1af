import { queryOptions, useQueries } from "@tanstack/react-query";
import { addPicture } from "../../../api/picture";

/** The most telling colours of a picture. */
export const colorsQuery = (picture: File) =>
  queryOptions({
    queryKey: ["picture colours", picture.name, picture.size, picture.lastModified],
    queryFn: async () => (await addPicture(picture)).colors.map((found) => found.hex),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

/** Those of all pictures, for the lines of the map, and whether some are still read. */
export function usePictureColors(pictures: File[]) {
  return useQueries({
    queries: pictures.map(colorsQuery),
    combine: (read) => ({
      colors: pictures.flatMap(({ name }, i) => {
        const colors = read[i]?.data;
        return colors ? [{ name, colors }] : [];
      }),
      waiting: read.some((one) => one.isLoading),
    }),
  });
}
