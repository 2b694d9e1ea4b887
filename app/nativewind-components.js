// What of React Native takes classes. NativeWind's own list has all of it: at the first element drawn, two hundred modules would be
// read for components that nobody here uses, or gives no class to.
import { Image, Pressable, ScrollView, Text, TextInput, View } from 'react-native';
import { cssInterop } from 'react-native-css-interop/dist/runtime/api';

for (const component of [Image, Pressable, Text, TextInput, View])
  cssInterop(component, { className: 'style' });
cssInterop(ScrollView, { className: 'style', contentContainerClassName: 'contentContainerStyle' });
