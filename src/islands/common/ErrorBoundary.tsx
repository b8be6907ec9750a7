import { Component, type ReactNode } from 'react';

interface State {
  readonly fault: string | null;
}

interface Props {
  children: ReactNode;
  /** Name of a part of the page that stands alone; the whole page where it is missing. */
  part?: string;
}

/** Shows a fault of the program in words; what was saved stays in the browser's storage. */
export class ErrorBoundary extends Component<Props, State> {
  override state: State = { fault: null };

  static getDerivedStateFromError(error: unknown): State {
    return { fault: error instanceof Error ? error.message : String(error) };
  }

  override render(): ReactNode {
    if (this.state.fault === null) return this.props.children;
    if (this.props.part) {
      return (
        <p role="alert" className="text-error p-3 text-[12px]">
          {this.props.part} cannot be drawn: {this.state.fault}. The rest goes on.{' '}
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
