import type { PluginTarget } from '@babel/core';

interface Home {
  readonly file: string;
  readonly name: string;
}

declare const straight: PluginTarget & {
  /** What a module exports: its own names, those of others, and modules it exports whole. */
  exportsOf(file: string): {
    readonly own: ReadonlySet<string>;
    readonly others: ReadonlyMap<string, { readonly file: string | undefined; readonly name: string }>;
    readonly whole: readonly string[];
    readonly bare: boolean;
  };
  /** The module that has a name of a module. */
  homeOf(file: string, name: string): Home | undefined;
  /** Whether a module does nothing but pass on what others export. */
  isIndex(file: string): boolean;
};
export default straight;
