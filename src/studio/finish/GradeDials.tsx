'use client';
/**
 * Slope, offset and power, each as a dial: a point on a plane of colour says how its three channels part, the number under it
 * their mean. The numbers of the channels stand beside it.
 */
import { useRef, type PointerEvent } from 'react';
import { settingsOf } from '@/core/scene/document';
import { changes } from '@/core/scene/edits';
import { SETTINGS_ID, type SceneSettings } from '@/core/scene/records/settings';
import { useGesture } from '../controls/FieldOf';
import { useScene, useStudio } from '../context';
import { ItemField } from '../time/ItemField';
import { dialPlace, dialValues, type Triple } from './dial';

type DialField =
  | 'slopeRed'
  | 'slopeGreen'
  | 'slopeBlue'
  | 'offsetRed'
  | 'offsetGreen'
  | 'offsetBlue'
  | 'powerRed'
  | 'powerGreen'
  | 'powerBlue';

interface Dial {
  word: string;
  about: string;
  fields: readonly [DialField, DialField, DialField];
  /** How far the channels part at the rim. */
  rim: number;
  low: number;
  high: number;
  /** A higher power is darker: the point goes the other way, so that it is pulled toward the colour that is wanted. */
  isDarkening?: true;
}

const DIALS: readonly Dial[] = [
  {
    ...{ word: 'Slope', about: 'Lights: what values are multiplied by' },
    fields: ['slopeRed', 'slopeGreen', 'slopeBlue'],
    ...{ rim: 0.5, low: 0, high: 4 },
  },
  {
    ...{ word: 'Offset', about: 'Shadows: what is added to values' },
    fields: ['offsetRed', 'offsetGreen', 'offsetBlue'],
    ...{ rim: 0.2, low: -1, high: 1 },
  },
  {
    ...{ word: 'Power', about: 'Middle tones: the power that values are raised to' },
    fields: ['powerRed', 'powerGreen', 'powerBlue'],
    ...{ rim: 0.5, low: 0.1, high: 10, isDarkening: true },
  },
];

/** Of the dials, CSS px. */
const SIDE_PX = 66;

const CHANNELS = ['red', 'green', 'blue'] as const;

export function GradeDials() {
  return (
    <>
      <ItemField item={{ value: 'saturation' }} isDirect />
      {DIALS.map((dial) => (
        <div key={dial.word} className="grid grid-cols-[66px_minmax(0,1fr)] items-center gap-2 pb-1">
          <DialPlane dial={dial} />
          <div>
            {dial.fields.map((value, i) => (
              <ItemField key={value} item={{ value }} isDirect short={`${dial.word} ${CHANNELS[i]}`} />
            ))}
          </div>
        </div>
      ))}
    </>
  );
}

function DialPlane({ dial }: { dial: Dial }) {
  const { word, about, fields, rim, low, high, isDarkening } = dial;
  const studio = useStudio();
  const values: Triple = useScene(({ scene }) => {
    const settings = settingsOf(scene);
    return [settings[fields[0]], settings[fields[1]], settings[fields[2]]];
  });
  const gesture = useGesture(studio, word);
  const begun = useRef<Triple>(values);
  const isDragged = useRef(false);
  const breakOff = () => {
    isDragged.current = false;
    gesture.cancel();
  };
  const sign = isDarkening ? -1 : 1;
  const [x, y] = dialPlace(values, sign * rim);
  const editsFor = (at: readonly [number, number]) => {
    const next = dialValues(begun.current, at, sign * rim).map((v) => Math.min(high, Math.max(low, v)));
    const set = Object.fromEntries(fields.map((field, i) => [field, Math.round(next[i] * 1000) / 1000]));
    return changes(studio.scenes.kept, 'settings', SETTINGS_ID, set as Partial<SceneSettings>);
  };
  const placeOf = (event: PointerEvent): [number, number] => {
    const box = event.currentTarget.getBoundingClientRect();
    const at = [
      (2 * (event.clientX - box.left)) / box.width - 1,
      (2 * (event.clientY - box.top)) / box.height - 1,
    ];
    const far = Math.max(1, Math.hypot(at[0], at[1]));
    return [at[0] / far, at[1] / far];
  };
  const step = (key: string): [number, number] | null => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key];
    return by ? [x + 0.02 * by[0], y + 0.02 * by[1]] : null;
  };
  return (
    <button
      type="button"
      aria-label={`${word}: colour`}
      title={`${about}. Arrows move the point, a double click brings it to the middle`}
      data-free
      className="relative shrink-0 cursor-crosshair touch-none rounded-full border border-rail"
      style={{ width: SIDE_PX, height: SIDE_PX, background: WHEEL }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        begun.current = values;
        isDragged.current = true;
        gesture.preview(editsFor(placeOf(event)));
      }}
      onPointerMove={(event) => isDragged.current && gesture.preview(editsFor(placeOf(event)))}
      onPointerUp={(event) => {
        if (isDragged.current) gesture.commit(editsFor(placeOf(event)));
        isDragged.current = false;
      }}
      onPointerCancel={breakOff}
      onDoubleClick={() => {
        begun.current = values;
        gesture.commit(editsFor([0, 0]));
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && isDragged.current) {
          event.stopPropagation();
          breakOff();
          return;
        }
        const to = step(event.key);
        if (!to) return;
        event.preventDefault();
        event.stopPropagation();
        begun.current = values;
        gesture.commit(editsFor(to));
      }}
    >
      <span
        aria-hidden
        className="absolute h-[9px] w-[9px] -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-chalk bg-soot"
        style={{ left: `${50 + 50 * x}%`, top: `${50 + 50 * y}%` }}
      />
      <span aria-hidden className="absolute inset-x-0 bottom-[6px] text-small text-chalk">
        {word}
      </span>
    </button>
  );
}

/** Hues by their direction, red to the right, dull so that the point is seen. */
const WHEEL =
  'radial-gradient(#2a2b2d 0%, #2a2b2dcc 40%, #2a2b2d55 100%), conic-gradient(from 90deg, #a33, #993, #3a3, #399, #33a, #939, #a33)';
