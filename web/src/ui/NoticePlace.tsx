import "@mantine/notifications/styles.css";
import { Notifications } from "@mantine/notifications";

export { notifications } from "@mantine/notifications";

/** Where notices stand. */
export const NoticePlace = () => <Notifications position="bottom-center" limit={3} />;
