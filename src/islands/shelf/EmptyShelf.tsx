import type { ReactNode } from 'react';

interface Props {
  earlierPorts: readonly number[];
  onFiles: () => void;
  onNew: () => void;
  onComposed: () => void;
  onPattern: () => void;
  onDemo: () => void;
  onTour: () => void;
}

/** A first visit: what Tapis is, one place to drop a datasheet, and four smaller ways beside it. */
export function EmptyShelf({ earlierPorts, onFiles, onNew, onComposed, onPattern, onDemo, onTour }: Props) {
  return (
    <div className="mx-auto mt-10 max-w-4xl">
      {earlierPorts.length > 0 && <Elsewhere ports={earlierPorts} />}
      <p className="text-[20px]">
        Tapis makes footprints that can be trusted out of datasheets: every land, hole and height derived from
        the numbers that are printed.
      </p>
      <div className="mt-6 grid grid-cols-[1fr_280px] gap-6 max-[900px]:grid-cols-1">
        <section className="border-primary bg-base-100 flex flex-col items-start justify-center border-2 border-dashed p-8">
          <h2 className="text-[20px] font-semibold">Drop a datasheet</h2>
          <p className="mt-1 max-w-prose">
            A PDF, a picture or a copied table, anywhere on this page. Its dimensions are read beside the page
            that they stand on; what is doubtful is asked.
          </p>
          <button type="button" className="btn btn-primary btn-sm mt-4" onClick={onFiles}>
            Choose a file
          </button>
          <p className="text-secondary mt-4 max-w-prose text-[12px]">
            Somebody else’s pattern (IPC-2581, Gerber, DXF, a pad table), a Tapis document or an exported
            Shelf may be dropped as well. Everything stays in this browser.
          </p>
        </section>
        <div className="flex flex-col gap-4">
          <Way
            title="Type the dimensions"
            words="Choose the package family, and type its dimensions as they are printed."
            action="Choose the package"
            onPress={onNew}
          />
          <Way
            title="Build from pieces"
            words="Rows, arrays, single lands and pegs, placed from each other: for connectors and all that no family draws."
            action="Begin with pieces"
            onPress={onComposed}
          />
          <Way
            title="Only the maker’s pattern is known"
            words="Drop its drawing or file: it is taken as a footprint of its own. Or type its lands as they are given."
            action="Begin with its lands"
            onPress={onPattern}
          />
          <Way
            title="Look at the demo board"
            words="The parts of a made-up tide-gauge logger. One is printed in inches, one has a mistake to find."
            action="Put the demo on the Shelf"
            onPress={onDemo}
          >
            <button type="button" className="btn btn-sm mt-2 ml-2" onClick={onTour}>
              Take the tour
            </button>
          </Way>
        </div>
      </div>
    </div>
  );
}

interface WayProps {
  title: string;
  words: string;
  action: string;
  onPress: () => void;
  children?: ReactNode;
}

function Way({ title, words, action, onPress, children }: WayProps) {
  return (
    <section className="border-base-300 bg-base-100 border p-3">
      <h2 className="text-[15px] font-semibold">{title}</h2>
      <p className="text-secondary">{words}</p>
      <button type="button" className="btn btn-sm mt-2" onClick={onPress}>
        {action}
      </button>
      {children}
    </section>
  );
}

/** A browser keeps footprints by address, port included: those of another port are not lost. */
function Elsewhere({ ports }: { ports: readonly number[] }) {
  return (
    <p role="note" className="border-warning bg-base-100 mb-4 border-l-4 px-4 py-2">
      Looking for footprints? A browser keeps them by address, and this Tapis was served on{' '}
      {ports.length === 1 ? 'another port' : 'other ports'} before:{' '}
      {ports.map((port, i) => (
        <span key={port}>
          {i > 0 && ', '}
          <a className="link" href={`http://${location.hostname}:${port}/`}>
            {port}
          </a>
        </span>
      ))}
      . Start it there (<code>npm start -- {ports[0]}</code>), choose Back up, and import the file here.
    </p>
  );
}
