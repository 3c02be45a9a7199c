import './styles.css';
import { t } from '@lingui/core/macro';
import { speak } from './words/language';

// Some words stand in constants: the application is fetched once its language is set.
await speak();
await import('./app/application').catch((error: unknown) => {
  const root = document.getElementById('root');
  if (root) root.textContent = t`Jokul did not load completely. Nothing is lost: load the page again.`;
  throw error;
});
