// The router stands in a provider of safe areas, which measures them while the first picture is drawn: a layout of the page for what no
// screen here asks for.
import { createElement } from 'react';
import { View } from 'react-native';

export const NativeSafeAreaProvider = ({ children, style }) => createElement(View, { style }, children);
