import { useEffect } from 'react';
import { onBegin } from '../journal/store';
import { startJournal } from '../journal/sync';
import { tellOfDevice } from '../journal/tell-of-device';
import { usePreferences } from '../lib/preferences';
import { useBakery, useDay } from '../lib/queries';
import { recordOf } from '../line/lots';

/** What the journal needs to know of the bakery before anything is written into it. */
export const useReadyJournal = () => {
  const bakery = useBakery();
  const day = useDay();
  const { who, set } = usePreferences();
  const known = bakery.data !== undefined;

  useEffect(() => {
    if (known) void startJournal();
  }, [known]);
  useEffect(tellOfDevice, []);

  // Who is written into the log is somebody of this bakery, also on a device that was elsewhere before.
  const crew = bakery.data?.equipment.crew;
  useEffect(() => {
    const [first] = crew ?? [];
    if (first !== undefined && !crew?.includes(who)) set({ who: first });
  }, [crew, who, set]);

  // The first work on a lot pins what the lot is, by what this device knows of it.
  useEffect(() => {
    onBegin((lot) => (bakery.data && day.data ? recordOf(bakery.data, day.data, lot) : null));
  }, [bakery.data, day.data]);
};
