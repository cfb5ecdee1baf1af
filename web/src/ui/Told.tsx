import { isColor, Swatch } from "./Swatch";

/** A value as it is written, with a swatch where it is a colour; other words where there is none. */
export function Told({ value, none }: { value: string | null | undefined; none?: string | null }) {
  return (
    <>
      {isColor(value) && <Swatch colors={[value]} />} {value ?? none}
    </>
  );
}
