'use client';
/** Luminaires on the shelf, the project's and those that come with Oilwick: stamped on the stage, or dragged there. */
import { framesIn } from '@/core/art/frames';
import { readyLuminaire, type ReadyLuminaireId } from '@/ready/all-luminaires';
import { FramePicture } from '../controls/FramePicture';
import { PaintPicture } from '../controls/PaintPicture';
import { useDesk, useScene, useStudio } from '../context';
import { bringLuminaire, luminairesToCome } from '../store/ready-luminaires';
import { drag } from './drops';

export function Luminaires() {
  const studio = useStudio();
  const luminaireId = useDesk((state) => state.luminaireId);
  const luminaires = useScene(({ scene }) =>
    Object.entries(scene.luminaires)
      .map(([id, { name, lights, flames }]) => ({
        id,
        name,
        colours: lights.map(({ colour }) => colour),
        flame: flames[0] ? (scene.artworks[flames[0].artworkId] ?? null) : null,
        count: Object.values(scene.lamps).filter((lamp) => lamp.luminaireId === id).length,
      }))
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  const toCome = useScene(() => luminairesToCome(studio));
  return (
    <ul className="flex flex-wrap gap-2 overflow-y-auto">
      {luminaires.map(({ id, name, colours, flame, count }) => (
        <li key={id}>
          <button
            type="button"
            draggable
            aria-pressed={luminaireId === id}
            title={`${name}: ${count} in this scene`}
            className="flex h-[84px] w-[92px] cursor-pointer flex-col border border-line bg-soot p-1 aria-pressed:border-verdigris"
            onDragStart={drag('luminaire', id)}
            onClick={() => studio.desk.setState({ luminaireId: id, artworkId: null, tool: 'place' })}
          >
            <span className="flex min-h-0 flex-1 items-center justify-center gap-2">
              {flame && (
                <FramePicture artwork={flame} frame={framesIn(flame)[0]} widthPx={40} heightPx={48} />
              )}
              {colours.slice(0, 4).map((colour, i) => (
                <span key={i} className="size-[12px] rotate-45" style={{ background: colour }} />
              ))}
            </span>
            <span className="flex w-full justify-between gap-1 text-small">
              <span className="truncate">{name}</span>
              <span className="figure text-ash">{count}</span>
            </span>
          </button>
        </li>
      ))}
      {toCome.map((id) => (
        <ReadyOne key={id} id={id} />
      ))}
    </ul>
  );
}

/** A luminaire that comes with Oilwick: the project has it from the moment in which it is used. */
function ReadyOne({ id }: { id: ReadyLuminaireId }) {
  const studio = useStudio();
  const { name, lights, pictures } = readyLuminaire(id);
  const [first] = Object.values(pictures);
  const choose = async () => {
    if (await bringLuminaire(studio, id))
      studio.desk.setState({ luminaireId: id, artworkId: null, tool: 'place' });
  };
  return (
    <li>
      <button
        type="button"
        draggable
        title={`${name}: comes with Oilwick`}
        className="flex h-[84px] w-[92px] cursor-pointer flex-col border border-dashed border-line bg-soot p-1"
        onDragStart={drag('luminaire', id)}
        onClick={() => void choose()}
      >
        <span className="flex min-h-0 flex-1 items-center justify-center gap-2">
          <PaintPicture draw={first} widthPx={56} heightPx={48} />
          {lights.map(({ id: lightId, colour }) => (
            <span key={lightId} className="size-[8px] rotate-45" style={{ background: colour }} />
          ))}
        </span>
        <span className="w-full truncate text-left text-small">{name}</span>
      </button>
    </li>
  );
}
