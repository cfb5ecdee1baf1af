/** A colour of a picture and the place that it stands for. */
export interface Spot {
  key: string;
  name: string;
  color: string;
  /** Slug of the brand colour that it is already. */
  brand?: string | undefined;
  /** 0–1 from the left and from the top. */
  x: number;
  y: number;
}

/** A place and the colour that stands there. */
export interface Picked {
  x: number;
  y: number;
  color: string;
  name: string;
}
