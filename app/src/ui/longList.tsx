import { remapProps } from 'nativewind';
import { Fragment, useMemo, useState, type ReactElement } from 'react';
import { FlatList, ScrollView, View } from 'react-native';
import { LIES_OPEN, usePrinting } from './printing';

// The one list of React Native that takes classes; what most screens need is in `nativewind-components.js`.
remapProps(FlatList, { className: 'style', contentContainerClassName: 'contentContainerStyle' });

/**
 * A long list of rows of known height under a head of any height: only what is near the window is drawn. Where a row lies
 * counts from the top of what scrolls, head included; a list that left the head out took rows in sight for rows far off
 * and took them away under the finger.
 */
export function LongList<Item>({
  items,
  keyOf,
  heightOf,
  renderItem,
  head,
  first,
  windows,
  className = '',
}: {
  readonly items: readonly Item[];
  readonly keyOf: (item: Item) => string;
  /** Height of a row, px. */
  readonly heightOf: (item: Item) => number;
  readonly renderItem: (item: Item) => ReactElement;
  readonly head?: ReactElement | undefined;
  /** Rows drawn at once. */
  readonly first: number;
  /** Heights of the window that are kept drawn, the one in sight among them. */
  readonly windows: number;
  readonly className?: string;
}) {
  const [headHeight, setHeadHeight] = useState(0);
  const tops = useMemo(() => {
    let top = headHeight;
    return items.map((item) => {
      const at = top;
      top += heightOf(item);
      return at;
    });
  }, [items, heightOf, headHeight]);
  const printing = usePrinting();
  // On paper there is no window.
  if (printing)
    return (
      <ScrollView className={LIES_OPEN} contentContainerClassName={className}>
        {head}
        {items.map((item) => (
          <Fragment key={keyOf(item)}>{renderItem(item)}</Fragment>
        ))}
      </ScrollView>
    );
  return (
    <FlatList
      data={items}
      keyExtractor={keyOf}
      getItemLayout={(_data, index) => {
        const item = items[index];
        return { index, offset: tops[index] ?? headHeight, length: item ? heightOf(item) : 0 };
      }}
      initialNumToRender={first}
      windowSize={windows}
      contentContainerClassName={className}
      tabIndex={0}
      className={LIES_OPEN}
      testID="long-list"
      ListHeaderComponent={
        head ? (
          <View
            testID="long-list-head"
            onLayout={({ nativeEvent }) => setHeadHeight(nativeEvent.layout.height)}
          >
            {head}
          </View>
        ) : null
      }
      renderItem={({ item }) => renderItem(item)}
    />
  );
}
