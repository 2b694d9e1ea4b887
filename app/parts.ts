import { FlatList, ScrollView, StyleSheet, TextInput } from 'react-native';

/** Pieces of React Native, each read when it is named: this module is read in a turn of its own (`entry.ts`). */
export const styles = () => StyleSheet;
export const scrolled = () => [ScrollView, TextInput];
export const lists = () => FlatList;
