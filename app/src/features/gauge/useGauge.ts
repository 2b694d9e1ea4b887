import { gaugeReading, type GaugeStandIn } from '@fine-spray/contract';
import { useEffect, useState } from 'react';

export interface GaugeState {
  readonly kind: 'waiting' | 'live' | 'lost';
  readonly readings: readonly { readonly tick: number; readonly pump: number; readonly gun: number }[];
}

/** Readings kept for the trace: ten seconds. */
const KEPT = 40;
const NONE: GaugeState = { kind: 'waiting', readings: [] };

/** Hears the gauge over server-sent events while it is hung on; says when it is lost and goes on trying. */
export function useGauge(order: GaugeStandIn | undefined): GaugeState {
  const text = order ? JSON.stringify(order) : undefined;
  const [state, setState] = useState<GaugeState>(NONE);
  useEffect(() => {
    if (text === undefined || typeof EventSource === 'undefined') return undefined;
    setState((now) => ({ ...now, kind: 'waiting' }));
    let source: EventSource;
    let again: ReturnType<typeof setTimeout> | undefined;
    const open = () => {
      source = new EventSource(`/api/stand-ins/gauge?order=${encodeURIComponent(text)}`);
      source.addEventListener('reading', ({ data }: MessageEvent<string>) => {
        const reading = gaugeReading.safeParse(JSON.parse(data));
        if (!reading.success) return;
        setState((now) => ({ kind: 'live', readings: [...now.readings, reading.data].slice(-KEPT) }));
      });
      source.onerror = () => {
        // A stream that ended or a server that went: said at once, and opened anew.
        source.close();
        setState((now) => ({ ...now, kind: 'lost' }));
        again = setTimeout(open, 2000);
      };
    };
    open();
    return () => {
      clearTimeout(again);
      source.close();
    };
  }, [text]);
  return order ? state : NONE;
}
