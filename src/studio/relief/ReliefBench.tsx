'use client';
import { useEffect, useRef, useState, type DragEvent } from 'react';
import { wordsOf } from '@/core/faults';
import { readRecipe, type Recipe } from '@/core/relief/recipe';
import { reliefJobOf } from '@/core/scene/relief-job';
import { plainJob } from '@/core/relief/job';
import { useDesk, useScene, useStudio } from '../context';
import { Notice } from '../controls/Notice';
import { readColours } from '../surface/read-colours';
import { HintLine, ReadoutLine } from '../surface/ViewLines';
import { importPictures, tellReport } from '../store/import-pictures';
import { setRecipe } from '../store/relief-edits';
import { usePalette } from './columns/SwatchColumn';
import { ContactSheet } from './ContactSheet';
import { Ball, FACING_EVENT } from './FacingBall';
import { ReliefController } from './relief-controller';
import { FaultLine } from './FaultLine';
import { ReliefDesk } from './ReliefDesk';
import { SectionLine } from './SectionLine';
import { ViewBar } from './ViewBar';
import { WorkBar } from './WorkBar';
import { FileKey, PICTURE_FILES } from '../controls/FileKey';

/** One artwork under the hand lamp, with the recipe and the strokes that make its relief. */
export function ReliefBench() {
  const studio = useStudio();
  const wanted = useDesk((state) => state.artworkId);
  const ids = useScene((state) =>
    Object.entries(state.scene.artworks)
      .sort(([, a], [, b]) => a.name.localeCompare(b.name))
      .map(([id]) => id),
  );
  const artworkId = wanted !== null && ids.includes(wanted) ? wanted : (ids[0] ?? null);
  const recipe = useScene((state) =>
    artworkId === null ? undefined : state.scene.reliefs[artworkId]?.recipe,
  );
  const imageSha = useScene((state) =>
    artworkId === null ? null : (state.scene.artworks[artworkId]?.imageSha ?? null),
  );
  const bareIds = useScene((state) => ids.filter((id) => !state.scene.reliefs[id]));
  const palette = usePalette(imageSha);
  const box = useRef<HTMLDivElement>(null);
  const picture = useRef<HTMLCanvasElement>(null);
  const marks = useRef<HTMLCanvasElement>(null);
  const readout = useRef<HTMLParagraphElement>(null);
  const hint = useRef<HTMLParagraphElement>(null);
  const [controller, setController] = useState<ReliefController | null>(null);

  useEffect(() => {
    const made = new ReliefController(studio, {
      box: box.current!,
      picture: picture.current!,
      marks: marks.current!,
      readout: readout.current!,
      hint: hint.current!,
      ...readColours(),
    });
    made.onFacing = (facing) => window.dispatchEvent(new CustomEvent(FACING_EVENT, { detail: facing }));
    const closed = studio.opened(made);
    setController(made);
    return () => {
      closed();
      made.dispose();
    };
  }, [studio]);
  useEffect(() => {
    studio.pictures.setBench(artworkId);
    controller?.show(artworkId);
  }, [studio, controller, artworkId]);
  useEffect(() => {
    if (!controller) return;
    controller.listenToSwatch((x, y) => {
      const artwork = artworkId === null ? null : studio.scene.artworks[artworkId];
      if (!palette || !artwork || x < 0 || y < 0 || x >= artwork.widthPx || y >= artwork.heightPx) return;
      const index = palette.indices[Math.floor(y) * artwork.widthPx + Math.floor(x)];
      studio.reliefBench.setState({ swatch: palette.colours[index]?.hex ?? null });
    });
  }, [studio, controller, palette, artworkId]);

  const preview = (next: Recipe) => {
    if (artworkId === null || imageSha === null) return;
    const job = jobOr(studio, artworkId) ?? plainJob(imageSha, next);
    studio.workers
      .liveRelief({ ...job, recipe: next }, (answer) => controller?.preview(answer))
      .catch((thrown: unknown) => studio.say(wordsOf(thrown)));
  };
  const keep = (next: Recipe, label: string) => {
    if (artworkId === null) return;
    // A first, reduced result is there at once, while the kept one is made.
    preview(next);
    setRecipe(studio, label, [artworkId], next);
  };
  const bringIn = async (files: File[]) => {
    const report = await importPictures(studio, files);
    tellReport(studio, report);
    const [first] = report.artworkIds;
    if (first) studio.desk.setState({ artworkId: first });
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    void bringIn([...event.dataTransfer.files]);
  };

  return (
    <main
      className="grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)_44px_204px]"
      onDragOver={(event) => event.preventDefault()}
      onDrop={drop}
    >
      <div className="grid min-h-0 grid-cols-[104px_minmax(0,1fr)]">
        <ContactSheet
          artworkId={artworkId}
          onChoose={(id) => studio.desk.setState({ artworkId: id })}
          onFiles={(files) => void bringIn(files)}
        />
        <div ref={box} className="relative min-w-0 overflow-hidden bg-soot">
          <canvas ref={picture} className="absolute inset-0 size-full" />
          <canvas
            ref={marks}
            tabIndex={0}
            role="application"
            aria-label="Artwork under the hand lamp"
            className="absolute inset-0 size-full cursor-crosshair touch-none outline-none"
          />
          <ViewBar artworkId={artworkId} bareIds={bareIds} />
          {artworkId !== null && <FaultLine artworkId={artworkId} />}
          <HintLine line={hint} />
          <ReadoutLine line={readout} />
          <div className="absolute right-4 bottom-8" title="The normal of the art under the pointer">
            <Ball sizePx={52} />
          </div>
          <WorkBar />
          <Notice />
        </div>
      </div>
      <SectionLine controller={controller} />
      {artworkId !== null ? (
        <ReliefDesk
          artworkId={artworkId}
          palette={palette}
          controls={{
            recipe: readRecipe(recipe ?? {}),
            preview,
            keep,
            cancel: () => controller?.preview(null),
          }}
        />
      ) : (
        <EmptyDesk onFiles={(files) => void bringIn(files)} />
      )}
    </main>
  );
}

function jobOr(studio: ReturnType<typeof useStudio>, artworkId: string) {
  try {
    return reliefJobOf(studio.scene, artworkId);
  } catch (thrown) {
    studio.say(wordsOf(thrown));
    return null;
  }
}

function EmptyDesk({ onFiles }: { onFiles(files: File[]): void }) {
  return (
    <div className="border-t border-line bg-slate p-3 text-ash">
      <p className="mb-2">There are no artworks in this project yet.</p>
      <FileKey accept={PICTURE_FILES} multiple className="key text-chalk" onFiles={onFiles}>
        Choose PNG files
      </FileKey>
    </div>
  );
}
