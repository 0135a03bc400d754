/** A circuit by its letter and the pattern of its wire, so that no colour is needed to tell it from others. */

/** Dashes of a wire and gaps, px; each is drawn single, then double, for as many circuits as there are letters. */
const DASHES = [
  'none',
  '1 1',
  '2 1',
  '4 1',
  '2 2',
  '4 2',
  '1 2',
  '3 1 1 1',
  '5 2 1 2',
  '1 1 1 3',
  '6 1',
  '3 3',
  '1 4',
];

export function letterOf(index: number): string {
  return String.fromCharCode(65 + index);
}

/** @param index of the circuit among all, from 0 */
export function CircuitMark({
  index,
  isOn,
  widthPx = 9,
}: {
  index: number;
  isOn: boolean;
  widthPx?: number;
}) {
  const dashes = DASHES[index % DASHES.length];
  const lines = index < DASHES.length ? [1.5] : [0.75, 2.75];
  return (
    <span aria-hidden className={`flex flex-col items-center ${isOn ? 'text-brass' : 'text-dust'}`}>
      <span data-figure={letterOf(index)} className="figure counted leading-[11px]" />
      <svg width={widthPx} height={4} className="shrink-0">
        {lines.map((y) => (
          <line
            key={y}
            x1={0}
            x2={widthPx}
            y1={y}
            y2={y}
            stroke="currentColor"
            strokeWidth={lines.length === 1 ? 2 : 1}
            strokeDasharray={dashes}
            opacity={isOn ? 1 : 0.5}
          />
        ))}
      </svg>
    </span>
  );
}
