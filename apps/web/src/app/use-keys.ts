import { useEffect } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { mostUrgent } from '@jokul/core';
import { nowMs } from '../lib/clock';
import { usePreferences } from '../lib/preferences';
import { pathOf, useActions } from '../line/actions';
import { across, stations } from './line';

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** The keys of every page. */
export const useKeys = (onSearch: () => void, onOverview: () => void) => {
  const navigate = useNavigate();
  const { search } = useLocation();
  const { set } = usePreferences();
  const actions = useActions();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // Out of a field, so that the keys of the line work again.
      if (event.key === 'Escape' && event.target instanceof HTMLInputElement) event.target.blur();
      if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (document.querySelector('[role="dialog"]')) return;
      const to = [...stations, ...across].find(({ key }) => key === event.key);
      const first = mostUrgent(actions, nowMs());
      if (to) void navigate({ pathname: `/${to.path}`, search });
      else if (event.key === 'n' && first) void navigate({ pathname: pathOf(first), search });
      else if (event.key === '/') onSearch();
      else if (event.key === '?') onOverview();
      else if (event.key === 't')
        set({ theme: document.documentElement.dataset.theme === 'dark' ? 'light' : 'dark' });
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [actions, navigate, search, set, onSearch, onOverview]);
};
