import { useQuery } from "@tanstack/react-query";
import { workspaceQuery } from "../../api/workspace";
import type { Outcome } from "../../editor/state";
import { TypedField } from "../../ui/TypedField";

interface Props {
  value: string;
  onRemember: (option: string, value: string) => Promise<Outcome>;
}

/** Where in the project's folder a target's files go, where the server has one. */
export function Into({ value, onRemember }: Props) {
  const { data: workspace } = useQuery(workspaceQuery);
  if (!workspace?.folder) return null;
  return (
    <TypedField
      label={`folder in ${workspace.folder}`}
      placeholder="beside the document"
      value={value}
      onText={(text) => onRemember("into", text)}
    />
  );
}
