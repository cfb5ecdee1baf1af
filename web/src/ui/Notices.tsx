import { later } from "./later";
import { useTold } from "./notices";

const NoticePlace = later(() => import("./NoticePlace").then((m) => m.NoticePlace));

/** The place of notices, once there is one. */
export function Notices() {
  const { told } = useTold();
  return told ? <NoticePlace /> : null;
}
