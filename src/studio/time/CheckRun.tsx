'use client';
import type { CheckState } from '../store/checks';
import { Key } from '../controls/small';
import { useScene } from '../context';

/** The key that runs a check, how far it is, and whether what it found is still of this scene. */
export function CheckRun({
  words,
  state: { share, report, scene, fault },
  disabled,
  onRun,
  onStop,
}: {
  words: string;
  state: CheckState<unknown>;
  disabled?: boolean;
  onRun(): void;
  onStop(): void;
}) {
  const isOfOther = useScene((state) => report !== null && state.scene !== scene);
  return (
    <div className="row flex items-center gap-2">
      {share === null ? (
        <Key disabled={disabled} onClick={onRun}>
          {words}
        </Key>
      ) : (
        <>
          <Key onClick={onStop}>Stop</Key>
          <span role="status" className="figure">
            {Math.floor(100 * share)} %
          </span>
        </>
      )}
      {fault && (
        <span role="alert" className="text-signal">
          {fault}
        </span>
      )}
      {share === null && isOfOther && <span className="text-ash">The scene has changed since.</span>}
    </div>
  );
}
