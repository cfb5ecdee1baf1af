import { useDebouncedValue } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { type Form, fillForm } from "../../../api/exist";
import { numberOf } from "../../../api/numberOf";
import { useEditorState } from "../../../editor/EditorProvider";
import { setForm } from "../../../editor/edits";
import { documentOf } from "../../../editor/selectors";

/** After how long a pause of typing it is filled, in ms. */
const PAUSE = 150;

/** A form filled as it is typed; where there is a mistake the last good file stays. */
export function useFilled(name: string, form: Form, text: string) {
  const document = useEditorState(documentOf);
  const [typed] = useDebouncedValue(text, PAUSE);
  const spec = typed === form.text ? document : setForm(document, name, { ...form, text: typed });
  const good = useRef<string>(undefined);
  const { data, error } = useQuery({
    queryKey: ["fill", name, numberOf(document), typed],
    queryFn: () => fillForm(spec, name),
    placeholderData: (before) => before,
    gcTime: 30_000,
    retry: false,
  });
  if (typeof data?.text === "string") good.current = data.text;
  return {
    filled: good.current,
    mistake: data?.mistake,
    unused: data?.unused ?? [],
    filters: data?.filters ?? [],
    called: data?.called ?? [],
    error,
  };
}
