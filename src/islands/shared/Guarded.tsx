import { Component, Fragment, type ComponentType, type ReactNode } from 'react';
import { keepFocus } from './keep-focus';

interface Given {
  /** What becomes of the work: "Your diagrams are kept." */
  readonly kept: string;
  /** What was typed and is kept nowhere else; shown to be copied. */
  readonly typed?: () => string;
  readonly children: ReactNode;
}

/** Where something on a page fails, the page says so and offers to go on, instead of going blank; what was typed is at hand. */
export class Guarded extends Component<Given, { readonly failed: boolean; readonly tries: number }> {
  override state = { failed: false, tries: 0 };

  static getDerivedStateFromError(): { readonly failed: true } {
    return { failed: true };
  }

  override componentDidMount(): void {
    keepFocus();
  }

  override render(): ReactNode {
    const { kept, typed, children } = this.props;
    if (!this.state.failed) return <Fragment key={this.state.tries}>{children}</Fragment>;
    const text = typed?.() ?? '';
    return (
      <main className="mx-auto mt-[12vh] max-w-lg p-4">
        <h1 className="text-2xl">This page could not go on</h1>
        <p role="alert" className="my-3">
          Something here failed that should not have. {kept}
        </p>
        {text.trim() !== '' && (
          <label className="my-3 grid gap-1">
            What you typed, to be copied
            <textarea className="field h-48 font-mono text-sm" readOnly value={text} />
          </label>
        )}
        <button
          className="button button-main mr-3"
          autoFocus
          onClick={() => this.setState(({ tries }) => ({ failed: false, tries: tries + 1 }))}
        >
          Go on
        </button>
        <a className="button" href="/">
          To the first page
        </a>
      </main>
    );
  }
}

/** A page guarded as a whole. */
export function guarded<P extends object>(Page: ComponentType<P>, kept: string): (given: P) => ReactNode {
  return function GuardedPage(given: P) {
    return (
      <Guarded kept={kept}>
        <Page {...given} />
      </Guarded>
    );
  };
}
