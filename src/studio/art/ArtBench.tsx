'use client';
import { useEffect, useRef, useState, type DragEvent } from 'react';
import { useStore } from 'zustand';
import { useDesk, useScene, useStudio } from '../context';
import { FileKey, PICTURE_FILES } from '../controls/FileKey';
import { Notice } from '../controls/Notice';
import { readColours } from '../surface/read-colours';
import { HintLine, ReadoutLine } from '../surface/ViewLines';
import { ART_VIEWS, ART_VIEW_WORDS } from '../store/art-bench';
import { importPictures, tellReport } from '../store/import-pictures';
import { ArtController } from './art-controller';
import { ArtDesk } from './ArtDesk';
import { artRows } from './art-list';
import { ArtSheet } from './ArtSheet';
import { FrameStrip } from './FrameStrip';

/** From files to artworks: cut into frames, played, given a stand and brackets. */
export function ArtBench() {
  const studio = useStudio();
  const wanted = useDesk((state) => state.artworkId);
  const { view, search, showBin } = useStore(studio.artBench);
  const first = useScene(({ scene }) => artRows(scene, search, showBin)[0]?.id ?? null);
  const isThere = useScene(({ scene }) => wanted !== null && scene.artworks[wanted] !== undefined);
  const artworkId = isThere ? wanted : first;
  const box = useRef<HTMLDivElement>(null);
  const picture = useRef<HTMLCanvasElement>(null);
  const readout = useRef<HTMLParagraphElement>(null);
  const hint = useRef<HTMLParagraphElement>(null);
  const [controller, setController] = useState<ArtController | null>(null);
  useEffect(() => {
    const made = new ArtController(studio, {
      box: box.current!,
      picture: picture.current!,
      readout: readout.current!,
      hint: hint.current!,
      ...readColours(),
    });
    const closed = studio.opened(made);
    setController(made);
    return () => {
      closed();
      made.dispose();
    };
  }, [studio]);
  useEffect(() => controller?.show(artworkId), [controller, artworkId]);

  const bringIn = async (files: File[]) => {
    const report = await importPictures(studio, files);
    tellReport(studio, report);
    const [brought] = report.artworkIds;
    if (brought) studio.desk.setState({ artworkId: brought });
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
      <div className="grid min-h-0 grid-cols-[208px_minmax(0,1fr)]">
        <ArtSheet
          artworkId={artworkId}
          onChoose={(id) => studio.desk.setState({ artworkId: id })}
          onFiles={(files) => void bringIn(files)}
        />
        <div ref={box} className="relative min-w-0 overflow-hidden bg-soot">
          <canvas
            ref={picture}
            tabIndex={0}
            role="application"
            aria-label="Artwork and its frames"
            className="absolute inset-0 size-full cursor-crosshair touch-none outline-none"
          />
          <div role="group" aria-label="View" className="absolute top-3 left-3 flex">
            {ART_VIEWS.map((name) => (
              <button
                key={name}
                type="button"
                className="key"
                aria-pressed={view === name}
                onClick={() => studio.artBench.setState({ view: name })}
              >
                {ART_VIEW_WORDS[name]}
              </button>
            ))}
          </div>
          <HintLine line={hint} />
          <ReadoutLine line={readout} />
          <Notice />
        </div>
      </div>
      <FrameStrip artworkId={artworkId} />
      {artworkId !== null ? (
        <ArtDesk artworkId={artworkId} />
      ) : (
        <div className="border-t border-line bg-slate p-3 text-ash">
          <p className="mb-2">There are no artworks in this project yet.</p>
          <FileKey
            accept={PICTURE_FILES}
            multiple
            className="key text-chalk"
            onFiles={(files) => void bringIn(files)}
          >
            Choose pictures
          </FileKey>
        </div>
      )}
    </main>
  );
}
