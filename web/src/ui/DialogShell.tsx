/** What dialogs are made of. */
export { Modal as DialogShell } from "@mantine/core";
