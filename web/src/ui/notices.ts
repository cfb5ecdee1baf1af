import type { NotificationData } from "@mantine/notifications";
import { create } from "zustand";

/** Whether anything was told yet: before, nothing needs a place to be told in. */
export const useTold = create<{ told: boolean }>(() => ({ told: false }));

const parts = () => import("./NoticePlace").then((m) => m.notifications);

/** Tells something that passes by itself. */
export async function tell(notice: NotificationData) {
  const { show } = await parts();
  useTold.setState({ told: true });
  show(notice);
}

/** Takes back what was told. */
export const untell = async (id: string) => (await parts()).hide(id);
