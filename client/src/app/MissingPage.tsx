import { Component, type ReactNode } from 'react';

type Props = { at: string; children: ReactNode };
type State = { failedAt: string | null };

/** Shown for a page that could not be fetched or that failed; another address is tried anew. */
export class MissingPage extends Component<Props, State> {
  override state: State = { failedAt: null };

  static getDerivedStateFromError(): Partial<State> {
    return { failedAt: '' };
  }

  static getDerivedStateFromProps({ at }: Props, { failedAt }: State): State {
    // The address it failed at is known only once it is here again.
    return { failedAt: failedAt === '' || failedAt === at ? at : null };
  }

  override render() {
    if (this.state.failedAt === null) return this.props.children;
    return (
      <main id="main" className="p-6">
        <h1 className="text-xl font-semibold">This page could not be opened.</h1>
        <p className="mt-1 text-soft">Is Zing Cast still running? What was kept is safe.</p>
        <button className="btn mt-3" onClick={() => location.reload()}>
          Try again
        </button>
      </main>
    );
  }
}
