interface Props {
  onNew: () => void;
  onDemo: () => void;
}

/** A first visit: the three ways to begin. */
export function EmptyShelf({ onNew, onDemo }: Props) {
  return (
    <div className="mx-auto mt-16 grid max-w-3xl grid-cols-3 gap-4">
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
          Drop a Tapis document or an exported Shelf anywhere on this page, or choose Import above. Everything
          stays in this browser.
        </p>
      </section>
    </div>
  );
}
