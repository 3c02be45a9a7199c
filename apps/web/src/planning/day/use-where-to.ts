import { useState, type KeyboardEvent } from 'react';
import { atWallClock, inUse, readTimeOfDay, shiftDate, wallClock, type Load } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useWallClock } from '../../lib/clock';

/** Where a load is proposed to go. */
export interface Proposal {
  readonly load: Load;
  readonly ovenId: string;
  readonly startS: number;
}

const typing = (target: EventTarget) =>
  target instanceof HTMLInputElement || target instanceof HTMLSelectElement;

/** Where a load goes, as it is chosen, typed, or moved by the arrow keys. */
export const useWhereTo = (proposal: Proposal, bakery: BakeryView) => {
  const { load } = proposal;
  const wall = useWallClock();
  const { timeZone } = bakery.rules;
  const { ovens } = inUse(bakery.equipment);
  const [ovenId, setOvenId] = useState(
    ovens.some(({ id }) => id === proposal.ovenId) ? proposal.ovenId : (ovens[0]?.id ?? ''),
  );
  const [startS, setStartS] = useState(Math.round(proposal.startS / 60) * 60);
  const [text, setText] = useState<string | null>(null);
  // Null while the whole load goes.
  const [trays, setTrays] = useState<number | null>(null);
  const same = trays === null && ovenId === load.ovenId && Math.abs(startS - load.startS) < 60;
  const by = (minutes: number) => {
    setText(null);
    setStartS((s) => s + minutes * 60);
  };
  const typed = (value: string) => {
    setText(value);
    const time = readTimeOfDay(value);
    if (time === null) return;
    // The nearest such time: a night goes over midnight.
    const { date: on } = wallClock(load.startS, timeZone);
    const far = (s: number) => Math.abs(s - load.startS);
    const [nearest] = [-1, 0, 1]
      .map((days) => atWallClock(shiftDate(on, days), time, timeZone))
      .sort((a, b) => far(a) - far(b));
    if (nearest !== undefined) setStartS(nearest);
  };
  const oven = (step: number) => {
    const at = ovens.findIndex(({ id }) => id === ovenId);
    setOvenId(ovens[(at + step + ovens.length) % ovens.length]?.id ?? ovenId);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (typing(event.target)) return;
    const minutes = event.shiftKey ? 10 : 1;
    if (event.key === 'ArrowLeft') by(-minutes);
    else if (event.key === 'ArrowRight') by(minutes);
    else if (event.key === 'ArrowUp') oven(-1);
    else if (event.key === 'ArrowDown') oven(1);
    else return;
    event.preventDefault();
  };
  const badTime = text !== null && readTimeOfDay(text) === null;
  return {
    ovenId,
    setOvenId,
    startS,
    trays,
    setTrays,
    /** As it is typed, or as it is. */
    time: text ?? wall.time(startS * 1000),
    typed,
    settle: () => setText(null),
    badTime,
    by,
    same,
    onKeyDown,
  };
};
