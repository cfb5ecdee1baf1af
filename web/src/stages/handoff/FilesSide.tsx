import { useQuery } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useState } from "react";
import { targetsQuery } from "../../api/queries";
import { ArchiveBar } from "./ArchiveBar";
import classes from "./HandoffStage.module.css";
import { TargetList } from "./TargetList";
import { TargetPane } from "./TargetPane";
import { useHandoff } from "./useHandoff";

/** The files of targets for a build, live. */
export default function FilesSide() {
  const { data: targets = [] } = useQuery(targetsQuery);
  const search = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const { options, chosen, remember, choose } = useHandoff();
  // What is ticked later does not take the file at hand away.
  const [first] = useState(chosen[0]);
  const target =
    targets.find((t) => t.id === search.target) ?? targets.find((t) => t.id === first) ?? targets[0];
  const open = (id: string) =>
    void navigate({ to: ".", search: (s) => ({ ...s, target: id }), replace: true });
  return (
    <div className={classes.stage}>
      <div className={classes.side}>
        <TargetList
          targets={targets}
          open={target?.id ?? ""}
          chosen={chosen}
          onOpen={open}
          onChoose={choose}
        />
        <ArchiveBar targets={targets} chosen={chosen} onChoose={choose} />
      </div>
      {target && (
        <TargetPane
          key={target.id}
          target={target}
          remembered={options[target.id] ?? {}}
          onRemember={(option, value) => remember(target.id, option, value)}
        />
      )}
    </div>
  );
}
