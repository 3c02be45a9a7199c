import type { Remote } from 'comlink';
import { createStore, get, set, type UseStore } from 'idb-keyval';
import { useCallback, useEffect, useRef, useState } from 'react';
import {
  bakeModelVersion,
  canonicalJson,
  coarseToFine,
  type Formula,
  type MapGrid,
  type MapRow,
} from '@jokul/core';
import { startCore } from '../workers/core';
import type { CoreApi, WhatIf } from '../workers/core.worker';

let store: UseStore | undefined;
const maps = () => (store ??= createStore('jokul-bake-maps', 'maps'));
// A browser may keep nothing, or have no store at all: then the map is computed anew.
const keptMap = async (key: string) => get<readonly MapRow[]>(key, maps());
const keepMap = async (key: string, rows: readonly (MapRow | null)[]) => set(key, rows, maps());

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
  // What is asked now: an answer to an earlier question, or after leaving the page, is dropped.
  const asked = useRef(0);
  const stopAll = useCallback(() => {
    asked.current += 1;
    running.current?.stop();
    running.current = null;
  }, []);
  useEffect(() => stopAll, [stopAll]);

  const cancel = useCallback(() => {
    stopAll();
    setProgress('cancelled');
  }, [stopAll]);

  const start = useCallback(async () => {
    stopAll();
    const mine = asked.current;
    const current = () => asked.current === mine;
    const { name: _n, version: _v, ...body } = formula;
    // The question itself is the key: a hash of it needs a secure page.
    const key = canonicalJson({ body, on, grid, model: bakeModelVersion });
    setProgress('running');
    const kept = await keptMap(key).catch(() => undefined);
    if (!current()) return;
    if (kept) {
      setRows(kept);
      setProgress('done');
      return;
    }
    const workers = Array.from({ length: workerCount }, startCore);
    const stop = () => {
      for (const worker of workers) worker.stop();
    };
    running.current = { stop };
    const found: (MapRow | null)[] = grid.temperaturesC.map(() => null);
    setRows([...found]);
    const order = [...coarseToFine(grid.temperaturesC.length)];
    const work = async (api: Remote<CoreApi>) => {
      for (let i = order.shift(); i !== undefined && current(); i = order.shift()) {
        const setC = grid.temperaturesC[i] ?? 0;
        const row = await api.bakeMapRow(formula, { ...on, setC }, [...grid.pullsS]);
        if (!current()) return;
        found[i] = row;
        setRows([...found]);
      }
    };
    try {
      await Promise.all(workers.map(({ api }) => work(api)));
      if (!current()) return;
      setProgress('done');
      await keepMap(key, found).catch(() => undefined);
    } catch {
      if (current()) setProgress('failed');
    } finally {
      stop();
    }
  }, [formula, grid, on, stopAll]);

  return { rows, progress, start, cancel };
};
