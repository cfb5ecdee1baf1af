import { useQuery } from "@tanstack/react-query";
import { refusalIn } from "../api/client";
import { tieDifferences } from "../api/workspace";
import { WakeList } from "../ui/WakeList";
import classes from "./Tie.module.css";

/** Both sides of a clash: the theme's values, and the file's. */
export function ClashOfFile({ slug }: { slug: string }) {
  const { data, error } = useQuery({
    queryKey: ["tie-differences", slug],
    queryFn: () => tieDifferences(slug),
    gcTime: 0,
  });
  if (error) return <span role="alert">{refusalIn(error)}</span>;
  if (!data) return null;
  return (
    <div className={classes.sides}>
      <p>Before: the theme. After: the file.</p>
      <WakeList {...data} />
    </div>
  );
}
