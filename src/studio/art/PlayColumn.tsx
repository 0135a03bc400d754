'use client';
import { useStore } from 'zustand';
import { framesIn, secondsOf } from '@/core/art/frames';
import { FRAME_LOOPS, type FrameLoop } from '@/core/scene/records/artwork';
import { useScene, useStudio } from '../context';
import { FieldOf } from '../controls/FieldOf';
import { NameField } from '../controls/NameField';
import { Column } from '../controls/Column';
import { Choice, Key, Row, Switch } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useField } from '../desk/use-fields';
import { changeFrame, deleteFrame } from '../store/art-edits';

const LOOP_WORDS: Record<FrameLoop, string> = {
  round: 'Round and round',
  'to-and-fro': 'To and fro',
  once: 'Once',
};

/** How the frames are played, and what there is to say of the chosen one. */
export function PlayColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const playing = useStore(studio.artBench, (state) => state.playing && state.view === 'figure');
  const loop = useField('artworks', [artworkId], 'loop', 'Loop');
  return (
    <Column title="Play">
      <FieldOf
        collection="artworks"
        ids={[artworkId]}
        field="rateHz"
        label="Rate"
        low={0.5}
        high={60}
        step={0.5}
        digits={1}
        unit="Hz"
        logarithmic
        initial={8}
      />
      <Choice<FrameLoop>
        label="Loop"
        value={loop.value}
        options={FRAME_LOOPS.map((name) => [name, LOOP_WORDS[name]])}
        onChange={loop.set}
      />
      <Switch
        label="Frames"
        on={playing}
        words={['playing', 'still']}
        onChange={(on) => studio.artBench.setState({ playing: on, view: 'figure' })}
      />
    </Column>
  );
}

export function FrameColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const number = useStore(studio.artBench, (state) => state.frame);
  const artwork = useScene((state) => state.scene.artworks[artworkId]);
  const frame = artwork?.frames[number];
  if (!artwork || !frame) {
    return (
      <Column title="Frame">
        <p className="text-ash">
          {artwork && framesIn(artwork).length === 1
            ? 'The whole picture is the only frame. Cut it, or draw frames on it (F).'
            : 'Choose a frame on the strip.'}
        </p>
      </Column>
    );
  }
  const set = (label: string, fields: Parameters<typeof changeFrame>[4]) =>
    changeFrame(studio, label, artworkId, number, fields);
  const shift = (label: string, field: 'shiftX' | 'shiftY') => (
    <ValueField
      label={label}
      value={frame[field]}
      low={-64}
      high={64}
      whole
      unit="px"
      initial={0}
      onPreview={() => undefined}
      onCommit={(value) => set('Shift a frame', { [field]: value })}
      onCancel={() => undefined}
    />
  );
  return (
    <Column title="Frame" aside={`${number + 1} of ${artwork.frames.length}`}>
      <NameField
        name={frame.name}
        label="Name of the frame"
        className="w-full"
        onChange={(name) => set('Name a frame', { name })}
      />
      <ValueField
        label="Hold"
        value={secondsOf(artwork, frame) * 1000}
        low={10}
        high={2000}
        step={10}
        digits={0}
        unit="ms"
        logarithmic
        onPreview={() => undefined}
        onCommit={(ms) => set('Time of a frame', { seconds: ms / 1000 })}
        onCancel={() => undefined}
      />
      {shift('X', 'shiftX')}
      {shift('Y', 'shiftY')}
      <Row label="">
        {frame.seconds !== null && (
          <Key
            title="It holds as long as the rate says"
            onClick={() => set('Time of a frame', { seconds: null })}
          >
            By the rate
          </Key>
        )}
        <Key
          onClick={() => {
            void deleteFrame(studio, artworkId, number);
          }}
        >
          Delete
        </Key>
      </Row>
    </Column>
  );
}
