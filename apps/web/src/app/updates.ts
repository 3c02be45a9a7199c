/** What an old page does about a new version; fetched together, after the first page shows. */
export { mendMissingFiles } from './mend-missing-files';
export { offerUpdates } from './offer-updates';
