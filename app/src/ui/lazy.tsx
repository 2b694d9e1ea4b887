import { Component, Suspense, lazy, useState, type ComponentType, type ReactNode } from 'react';
import { Sheet } from './sheet';
import { ErrorState, Skeleton } from './states';

/** Shown when a part of the program cannot be fetched: what happened and a way to try again. */
class Unfetched extends Component<
  { children: ReactNode; around: (shown: ReactNode) => ReactNode; onRetry: () => void },
  { failed: boolean }
> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return this.props.around(
      <ErrorState
        title="This part of the program is not here yet"
        text="It is fetched when it is first used, and the server does not answer. Nothing is lost."
        onRetry={() => {
          this.props.onRetry();
          this.setState({ failed: false });
        }}
      />,
    );
  }
}

/**
 * A component whose code is fetched when it is first shown, so that the first load stays small.
 * @param fetchIt imports the module that holds it
 * @param waiting shown until it is there
 * @param around what stands around `waiting`, and around what is said where it cannot be fetched
 */
export function fetchedLater<Props extends object>(
  fetchIt: () => Promise<ComponentType<Props>>,
  waiting: ReactNode,
  around: (shown: ReactNode, props: Props) => ReactNode = (shown) => shown,
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
      <Unfetched around={(shown) => around(shown, props)} onRetry={retry}>
        <Suspense fallback={around(waiting, props)}>
          <Part {...props} />
        </Suspense>
      </Unfetched>
    );
  };
}

/** A sheet whose code is fetched when it is first opened: it stands at once, with its title and how to close it, and is filled then. */
export const sheetFetchedLater = <Props extends { readonly onClose: () => void }>(
  fetchIt: () => Promise<ComponentType<Props>>,
  title: string,
): ComponentType<Props> =>
  fetchedLater(fetchIt, <Skeleton rows={3} />, (shown, { onClose }) => (
    <Sheet title={title} onClose={onClose}>
      {shown}
    </Sheet>
  ));
