import type { Explained } from '@fine-spray/core';
import { useState } from 'react';
import { WhySheet } from './WhySheet';

/** Where numbers only explain themselves: `ask` opens the sheet of one, `sheet` stands while it is open. */
export function useWhy() {
  const [number, ask] = useState<Explained>();
  return { ask, sheet: number ? <WhySheet number={number} onClose={() => ask(undefined)} /> : null };
}
