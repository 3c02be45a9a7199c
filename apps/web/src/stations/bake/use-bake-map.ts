import type { Remote } from 'comlink';
import { createStore, get, set, type UseStore } from 'idb-keyval';
import { useCallback, useEffect, useRef, useState } from 'react';
import { canonicalJson, coarseToFine, type Formula, type MapGrid, type MapRow } from '@jokul/core';
import { startCore } from '../../workers/core';
import type { CoreApi, WhatIf } from '../../workers/core.worker';

let store: UseStore | undefined;
const maps = () => (store ??= createStore('jokul-bake-maps', 'maps'));

const hashOf = async (text: string): Promise<string> => {
  const bytes = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text));
  return [...new Uint8Array(bytes)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
};

export type MapProgress = 'idle' | 'running' | 'done' | 'cancelled' | 'failed';

const workerCount = 2;

/**
 * A bake map, computed in two workers of its own from coarse to fine; it can be cancelled, and a finished one is kept
 * on this device by the hash of what went in.
 */
export const useBakeMap = (formula: Formula, on: Omit<WhatIf, 'setC'>, grid: MapGrid) => {
  const [rows, setRows] = useState<readonly (MapRow | null)[]>([]);
  const [progress, setProgress] = useState<MapProgress>('idle');
  const running = useRef<{ stop: () => void } | null>(null);
  useEffect(() => () => running.current?.stop(), []);

  const cancel = useCallback(() => {
    running.current?.stop();
    running.current = null;
    setProgress('cancelled');
  }, []);

  const start = useCallback(async () => {
    running.current?.stop();
    const { name: _n, version: _v, ...body } = formula;
    const key = await hashOf(canonicalJson({ body, on, grid, model: 2 }));
    const kept = await get<readonly MapRow[]>(key, maps()).catch(() => undefined);
    if (kept) {
      setRows(kept);
      setProgress('done');
      return;
    }
    const workers = Array.from({ length: workerCount }, startCore);
    let stopped = false;
    const stop = () => {
      stopped = true;
      for (const worker of workers) worker.stop();
    };
    running.current = { stop };
    const found: (MapRow | null)[] = grid.temperaturesC.map(() => null);
    setRows([...found]);
    setProgress('running');
    const order = [...coarseToFine(grid.temperaturesC.length)];
    const work = async (api: Remote<CoreApi>) => {
      for (let i = order.shift(); i !== undefined && !stopped; i = order.shift()) {
        const setC = grid.temperaturesC[i] ?? 0;
        const row = await api.bakeMapRow(formula, { ...on, setC }, [...grid.pullsS]);
        if (stopped) return;
        found[i] = row;
        setRows([...found]);
      }
    };
    try {
      await Promise.all(workers.map(({ api }) => work(api)));
      if (stopped) return;
      setProgress('done');
      await set(key, found, maps()).catch(() => undefined);
    } catch {
      if (!stopped) setProgress('failed');
    } finally {
      stop();
    }
  }, [formula, grid, on]);

  return { rows, progress, start, cancel };
};
