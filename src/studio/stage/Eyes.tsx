'use client';
import { COLOUR_VISION_NAMES, COLOUR_VISIONS } from '@/core/checks/colour-vision';

/** The filters through which the stage is seen as by the eyes of others; they count on linear values. */
export function EyesFilters() {
  return (
    <svg aria-hidden className="absolute size-0">
      {COLOUR_VISION_NAMES.map((vision) => (
        <filter key={vision} id={`eyes-${vision}`} colorInterpolationFilters="linearRGB">
          <feColorMatrix
            type="matrix"
            values={[...COLOUR_VISIONS[vision].map((row) => `${row.join(' ')} 0 0`), '0 0 0 1 0'].join(' ')}
          />
        </filter>
      ))}
    </svg>
  );
}
