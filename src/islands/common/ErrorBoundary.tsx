import { Component, type ReactNode } from 'react';

interface State {
  readonly fault: string | null;
}

interface Props {
  children: ReactNode;
  /** Name of a part of the page that stands alone; the whole page where it is missing. */
  part?: string;
  /** What it is drawn from: once that changes it is tried again. */
  from?: unknown;
  /** Where its words stand, for a part of a drawing. */
  drawnAt?: { readonly x: number; readonly y: number };
}

/** Shows a fault of the program in words; what was saved stays in the browser's storage. */
export class ErrorBoundary extends Component<Props, State> {
  override state: State = { fault: null };

  static getDerivedStateFromError(error: unknown): State {
    return { fault: error instanceof Error ? error.message : String(error) };
  }

  override componentDidUpdate({ from }: Props): void {
    if (this.state.fault !== null && from !== this.props.from) this.setState({ fault: null });
  }

  override render(): ReactNode {
    if (this.state.fault === null) return this.props.children;
    const { part, drawnAt } = this.props;
    if (drawnAt) {
      return (
        <text x={drawnAt.x + 10} y={drawnAt.y + 40} role="alert" className="fill-error text-[12px]">
          {part} cannot be drawn: {this.state.fault}. The rest goes on.
        </text>
      );
    }
    if (part) {
      return (
        <p role="alert" className="text-error p-3 text-[12px]">
          {part} cannot be drawn: {this.state.fault}. The rest goes on.{' '}
          <button type="button" className="link" onClick={() => this.setState({ fault: null })}>
            Try again
          </button>
        </p>
      );
    }
    return (
      <main role="alert" className="max-w-2xl p-10 text-[15px]">
        <h1 className="font-semibold">Tapis has met a fault and stopped drawing this page.</h1>
        <p className="mt-2">What was saved is still in this browser. The fault: {this.state.fault}</p>
        <p className="mt-2">
          <a className="link" href="">
            Load the page again
          </a>{' '}
          or{' '}
          <a className="link" href="/">
            go to the Shelf
          </a>
          .
        </p>
      </main>
    );
  }
}
