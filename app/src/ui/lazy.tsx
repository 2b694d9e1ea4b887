import { Component, Suspense, lazy, useState, type ComponentType, type ReactNode } from 'react';
import { ErrorState } from './states';

/** Shown when a part of the program cannot be fetched: what happened and a way to try again. */
class Unfetched extends Component<{ children: ReactNode; onRetry: () => void }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <ErrorState
        title="This part of the program is not here yet"
        text="It is fetched when it is first used, and the server does not answer. Nothing is lost."
        onRetry={() => {
          this.props.onRetry();
          this.setState({ failed: false });
        }}
      />
    );
  }
}

/**
 * A component whose code is fetched when it is first shown, so that the first load stays small.
 * @param fetchIt imports the module that holds it
 * @param waiting shown until it is there
 */
export function fetchedLater<Props extends object>(
  fetchIt: () => Promise<ComponentType<Props>>,
  waiting: ReactNode,
): ComponentType<Props> {
  const make = () => lazy(async () => ({ default: await fetchIt() }));
  let latest = make();
  return function FetchedLater(props: Props) {
    const [Part, setPart] = useState(() => latest);
    const retry = () => {
      latest = make();
      setPart(() => latest);
    };
    return (
      <Unfetched onRetry={retry}>
        <Suspense fallback={waiting}>
          <Part {...props} />
        </Suspense>
      </Unfetched>
    );
  };
}
