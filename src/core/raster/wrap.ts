/** In which directions a picture goes on around its border, as a seamless tile does. */
export interface Wrap {
  x: boolean;
  y: boolean;
}

export const NO_WRAP: Wrap = { x: false, y: false };
