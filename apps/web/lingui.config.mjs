/** What the macros of the interface become. `npm run words` gathers what they say into src/words/en.po. */
export default {
  sourceLocale: 'en',
  locales: ['en'],
  runtimeConfigModule: { Trans: ['#trans', 'Trans'] },
};
