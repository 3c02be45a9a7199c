import './styles.css';
import { speak } from './words/language';

// Some words stand in constants: the application is fetched once its language is set.
await speak();
await import('./app/application');
