interface Props {
  earlierPorts: readonly number[];
  onNew: () => void;
  onDemo: () => void;
}

/** A first visit: the three ways to begin. */
export function EmptyShelf({ earlierPorts, onNew, onDemo }: Props) {
  return (
    <div className="mx-auto mt-16 grid max-w-3xl grid-cols-3 gap-4">
      {earlierPorts.length > 0 && <Elsewhere ports={earlierPorts} />}
      <section className="border-base-300 bg-base-100 border p-4">
        <h2 className="text-[15px] font-semibold">Look at the demo board</h2>
        <p className="text-secondary mt-1">
          The parts of a made-up tide-gauge logger: converter, transceiver, driver and passives. One is
          printed in inches, one has a mistake to find.
        </p>
        <button type="button" className="btn btn-primary btn-sm mt-3" onClick={onDemo}>
          Put the demo on the Shelf
        </button>
      </section>
      <section className="border-base-300 bg-base-100 border p-4">
        <h2 className="text-[15px] font-semibold">Start from a datasheet</h2>
        <p className="text-secondary mt-1">
          Choose the package family and type its dimensions as they are printed.
        </p>
        <button type="button" className="btn btn-sm mt-3" onClick={onNew}>
          Choose the package
        </button>
      </section>
      <section className="border-base-300 border border-dashed p-4">
        <h2 className="text-[15px] font-semibold">Bring footprints</h2>
        <p className="text-secondary mt-1">
          Drop a Tapis document, an exported Shelf, somebody else’s pattern (IPC-2581, Gerber, DXF, CSV) or a
          datasheet anywhere on this page, or choose Import above. Everything stays in this browser.
        </p>
      </section>
    </div>
  );
}

/** A browser keeps footprints by address, port included: those of another port are not lost. */
function Elsewhere({ ports }: { ports: readonly number[] }) {
  return (
    <p role="note" className="border-warning bg-base-100 col-span-3 border-l-4 px-4 py-2">
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
