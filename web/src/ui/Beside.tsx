import { type Ref, type RefCallback, useLayoutEffect } from "react";

interface Props {
  element: HTMLElement | null;
  ref?: Ref<HTMLElement>;
}

/** Stands for an element that is drawn elsewhere, where something is to open beside it. */
export function Beside({ element, ref }: Props) {
  useLayoutEffect(() => {
    if (typeof ref === "function") return giveTo(ref, element);
    if (ref) ref.current = element;
  }, [element, ref]);
  return null;
}

function giveTo(ref: RefCallback<HTMLElement>, element: HTMLElement | null) {
  const undo = ref(element);
  return typeof undo === "function" ? undo : undefined;
}

/** Gives the keys back to the control that something opened beside, when it goes and takes them along. */
export function useGiveBack(element: HTMLElement | null) {
  useLayoutEffect(
    () => () => {
      const at = document.activeElement;
      if (at === document.body || at?.closest("[data-portal]")) element?.focus({ preventScroll: true });
    },
    [element],
  );
}
