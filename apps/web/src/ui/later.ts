import { lazy, type ComponentType } from 'react';
import { brought } from '../lib/brought';

type PropsOf<C> = C extends ComponentType<infer P> ? P : never;

/** A component that is fetched when it is first shown; without the server it is waited for. Shown inside a Suspense. */
export const later = <M extends object, K extends keyof M>(load: () => Promise<M>, name: K) =>
  lazy(async () => ({ default: (await brought(load))[name] as ComponentType<PropsOf<M[K]>> }));
