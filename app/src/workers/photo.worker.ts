import {
  readCardPicture,
  type CardReading,
  type FanEnds,
  type GreyPicture,
  type Result,
} from '@fine-spray/core';

/** A picture to read, with its ends where they are marked by hand. */
export interface PhotoOrder {
  readonly picture: GreyPicture;
  readonly exponent: number;
  readonly marked?: FanEnds;
}
export type PhotoReport = Result<CardReading>;

const worker = globalThis as unknown as {
  onmessage: ((event: { data: PhotoOrder }) => void) | null;
  postMessage: (report: PhotoReport) => void;
};

worker.onmessage = ({ data: { picture, exponent, marked } }) => {
  worker.postMessage(readCardPicture(picture, exponent, marked));
};
