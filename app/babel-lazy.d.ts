import type { PluginTarget } from '@babel/core';

declare const lazy: PluginTarget;
export default lazy;
