'use client';
import type { ComponentProps } from 'react';
import { wordsOf } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { IMPORTED_USES } from '@/core/relief/source';
import { BROUGHT_KINDS, type BroughtKind } from '@/core/relief/suffixes';
import { change } from '@/core/scene/edits';
import type { Relief } from '@/core/scene/records/relief';
import { borrowersOf } from '@/core/scene/relief-job';
import { Column } from '../../controls/Column';
import { Choice, Key, Row, Switch } from '../../controls/small';
import { useScene, useStudio } from '../../context';
import { askOrientation, attachMapTo, KIND_WORDS } from '../../store/attach-maps';
import { borrowing, reliefOfArtwork, setRelief } from '../../store/relief-edits';
import { FileKey } from '../../controls/FileKey';
import { ValueField } from '../../controls/ValueField';
import { worded } from './recipe-controls';

const USE_WORDS = { facings: 'As they are', height: 'As a height' } as const;
const OWN = 'own';

/** Where the relief comes from: made here, borrowed from another artwork, or brought along. */
export function SourceColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const relief = useScene((state) => reliefOfArtwork(state.scene, artworkId));
  const glowSha = useScene((state) => state.scene.artworks[artworkId]?.glowSha ?? null);
  const lenders = useScene((state) => {
    const own = state.scene.artworks[artworkId];
    const barred = new Set([artworkId, ...borrowersOf(state.scene.reliefs, artworkId)]);
    const lender = state.scene.reliefs[artworkId]?.borrowedId;
    return Object.entries(state.scene.artworks)
      .filter(
        ([id, { widthPx, heightPx }]) =>
          // The one it borrows from stays in the list when it does not fit any more.
          id === lender ||
          (!barred.has(id) &&
            widthPx === own?.widthPx &&
            heightPx === own.heightPx &&
            state.scene.reliefs[id]),
      )
      .map(([id, { name }]) => [id, name] as const)
      .sort(([, a], [, b]) => a.localeCompare(b));
  });
  const isOutOfDate = useScene((state) => {
    const { madeForSha } = reliefOfArtwork(state.scene, artworkId);
    return madeForSha !== null && madeForSha !== state.scene.artworks[artworkId]?.imageSha;
  });
  const set = (label: string, fields: Parameters<typeof setRelief>[3]) =>
    setRelief(studio, label, artworkId, fields);
  const isThere: Record<BroughtKind, boolean> = {
    normals: relief.normals !== null,
    height: relief.heights !== null,
    rim: relief.rimSha !== null,
    occlusion: relief.occlusionSha !== null,
    glow: glowSha !== null,
  };
  const chooseGreen = (normals: NonNullable<Relief['normals']>, yUp: boolean) =>
    set('Orientation', { normals: { ...normals, yUp, orientationChosen: true } });
  const compare = async () => {
    const { normals } = relief;
    if (!normals) return;
    const answer = await askOrientation(studio, studio.scene.artworks[artworkId], normals.sha);
    if (answer === 'alike') studio.say('Both readings look the same: the map leans neither up nor down.');
    // What was answered is for the map that was compared.
    const now = reliefOfArtwork(studio.scene, artworkId).normals;
    if ((answer === 'up' || answer === 'down') && now?.sha === normals.sha) chooseGreen(now, answer === 'up');
  };
  const drop = (kind: BroughtKind) => {
    const label = `Take the ${KIND_WORDS[kind]} away`;
    if (kind === 'glow') {
      const edit = change(studio.scene, 'artworks', artworkId, { glowSha: null });
      if (edit) studio.scenes.transact({ label, edits: [edit] });
    } else if (kind === 'normals') set(label, { normals: null });
    else if (kind === 'height') set(label, { heights: null });
    else set(label, kind === 'rim' ? { rimSha: null } : { occlusionSha: null });
  };
  return (
    <Column title="Source" wide>
      <Choice<string>
        label="Body"
        value={relief.borrowedId ?? OWN}
        options={[
          [OWN, 'Its own recipe'],
          ...lenders.map(([id, name]) => [id, `Borrowed: ${name}`] as const),
        ]}
        onChange={(id) => set('Borrow a relief', borrowing(relief, id === OWN ? null : id))}
      />
      {BROUGHT_KINDS.map((kind) => (
        <Row
          key={kind}
          label={
            { normals: 'Normals', height: 'Height', rim: 'Rim', occlusion: 'Occlusion', glow: 'Glow' }[kind]
          }
        >
          {isThere[kind] ? (
            <>
              <span className="text-ash">attached</span>
              <button
                type="button"
                aria-label={`Take the ${KIND_WORDS[kind]} away`}
                className="cursor-pointer px-1 text-ash"
                onClick={() => drop(kind)}
              >
                ×
              </button>
            </>
          ) : (
            <Attach artworkId={artworkId} kind={kind} />
          )}
        </Row>
      ))}
      {relief.normals && (
        <>
          <Choice
            label="Used"
            value={relief.normals.use}
            options={worded(IMPORTED_USES, USE_WORDS)}
            onChange={(use) => set('Use of the normals', { normals: { ...relief.normals!, use } })}
          />
          <Switch
            label="Green"
            on={relief.normals.yUp}
            words={['Y up', 'Y down']}
            onChange={(yUp) => chooseGreen(relief.normals!, yUp)}
          />
          <div className="flex justify-end">
            <Key
              title="The art lit by either reading of green, side by side"
              onClick={() => void compare().catch((thrown: unknown) => studio.say(wordsOf(thrown)))}
            >
              Compare Y up and down
            </Key>
          </div>
          {relief.normals.use === 'height' && (
            <SourceValue
              label="Share"
              value={relief.normals.share}
              low={-4}
              high={4}
              step={0.05}
              initial={1}
              onCommit={(share) => set('Share of the normals', { normals: { ...relief.normals!, share } })}
            />
          )}
        </>
      )}
      {relief.heights &&
        (['lowPx', 'highPx'] as const).map((end) => (
          <SourceValue
            key={end}
            label={end === 'lowPx' ? 'Black' : 'White'}
            value={relief.heights![end]}
            low={-LIMITS.reliefPx}
            high={LIMITS.reliefPx}
            step={0.5}
            unit="px"
            onCommit={(px) => set('Range of the heights', { heights: { ...relief.heights!, [end]: px } })}
          />
        ))}
      {isOutOfDate && (
        <div className="mt-1 flex items-center justify-between">
          <span className="text-signal">Made for other art</span>
          <Key
            onClick={() =>
              set('Keep for the new art', { madeForSha: studio.scene.artworks[artworkId].imageSha })
            }
          >
            Keep for this
          </Key>
        </div>
      )}
    </Column>
  );
}

type SourceValueProps = Omit<ComponentProps<typeof ValueField>, 'onPreview' | 'onCancel'>;

/** A value that is taken when it is let go: the relief is made anew by it. */
function SourceValue(props: SourceValueProps) {
  return <ValueField {...props} onPreview={() => undefined} onCancel={() => undefined} />;
}

function Attach({ artworkId, kind }: { artworkId: string; kind: BroughtKind }) {
  const studio = useStudio();
  const attach = async (file: File) => {
    try {
      studio.say(
        `Attached: ${await attachMapTo(studio, artworkId, kind, new Uint8Array(await file.arrayBuffer()))}.`,
      );
    } catch (thrown) {
      studio.say(`${file.name} was not imported: ${wordsOf(thrown)}`);
    }
  };
  return (
    <FileKey
      name={`File of the ${KIND_WORDS[kind]}`}
      accept="image/png"
      className="cursor-pointer text-brass"
      onFiles={([file]) => void attach(file)}
    >
      Attach
    </FileKey>
  );
}
