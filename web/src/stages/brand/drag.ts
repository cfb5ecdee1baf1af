import type { DragEvent } from "react";

/** What is dragged between brand, intents and tray: a brand colour by its slug, or a candidate. */
export type Dragged =
  | { brand: string; name: string; color: string }
  | { candidate: string; name: string; color: string };

const KIND = "application/x-rhodon-color";

/** Lets an element be dragged; other programs get the code. */
export const drags = (what: Dragged) => ({
  draggable: true,
  onDragStart: (event: DragEvent) => {
    event.dataTransfer.setData(KIND, JSON.stringify(what));
    event.dataTransfer.setData("text/plain", what.color);
    event.dataTransfer.effectAllowed = "copyMove";
  },
});

/** Lets a colour be dropped; marks the element while one hovers. */
export const takes = (onDrop: (what: Dragged) => void) => ({
  onDragOver: (event: DragEvent<HTMLElement>) => {
    if (!event.dataTransfer.types.includes(KIND)) return;
    event.preventDefault();
    event.currentTarget.dataset.over = "true";
  },
  onDragLeave: (event: DragEvent<HTMLElement>) => {
    delete event.currentTarget.dataset.over;
  },
  onDrop: (event: DragEvent<HTMLElement>) => {
    delete event.currentTarget.dataset.over;
    const text = event.dataTransfer.getData(KIND);
    if (!text) return;
    event.preventDefault();
    onDrop(JSON.parse(text) as Dragged);
  },
});
