import { say } from '@jokul/core';
import { BadRequestException, ValidationPipe, type LoggerService } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import compression from 'compression';
import helmet from 'helmet';
import { DataSource } from 'typeorm';
import { describeApi } from './api/describe-api.js';
import { AppModule } from './app.module.js';
import { SoundInputPipe } from './common/sound-input.pipe.js';
import { firstTrouble } from './common/first-trouble.js';
import { LastTrouble } from './common/last-trouble.js';
import { missingAsset } from './common/missing-asset.js';
import { ownHostOnly } from './common/own-host.js';
import { rememberRules } from './common/remember-rules.js';
import { saidOnce } from './common/said-once.js';
import { nameRequest } from './common/request-id.js';
import { logRequests } from './common/request-log.js';
import { ProblemFilter } from './common/problem.filter.js';
import { QuietLogger } from './common/quiet-logger.js';
import { webRoot, type Config } from './config/config.js';
import { refuseNewerSchema } from './schema/newer-schema.js';
import { openShortWay } from './journal/short-way.js';
import { DemoSeed } from './demo/seed.js';
import { MetricsService } from './health/metrics.service.js';
import { OwnBakery } from './bakery/own-bakery.service.js';

const bodyLimit = '1mb';

/** The application, set up but not listening yet; migrated, and with the demo if the database was empty. */
export const makeApp = async (
  config: Config,
  logger: LoggerService | false = new QuietLogger(),
): Promise<NestExpressApplication> => {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config), {
    // An open event stream must not hold the process back when it is told to stop.
    forceCloseConnections: true,
    logger,
    bodyParser: false,
    abortOnError: false,
  });
  try {
    await refuseNewerSchema(app.get(DataSource));
  } catch (error) {
    // Nothing of it stays open: whoever started it ends with the sentence.
    await app.get(DataSource).destroy();
    throw error;
  }
  rememberRules();
  app.use(nameRequest);
  app.use(logRequests());
  app.use(ownHostOnly);
  const metrics = app.get(MetricsService);
  app.use(metrics.count);
  app.use(missingAsset(webRoot));
  const secured = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // Charts and overlays set style attributes.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'", 'data:'],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: false,
  });
  app.use(secured);
  // A stream must not wait in a compressor's window.
  app.use(
    compression({
      filter: (request, response) =>
        !String(response.getHeader('content-type')).startsWith('text/event-stream') &&
        compression.filter(request, response),
    }),
  );
  app.use(saidOnce());
  app.useBodyParser('json', { limit: bodyLimit });
  app.setGlobalPrefix('api');
  app.useGlobalPipes(
    new SoundInputPipe(),
    new ValidationPipe({
      whitelist: true,
      forbidNonWhitelisted: true,
      transform: true,
      exceptionFactory: (errors) =>
        new BadRequestException(firstTrouble(errors) ?? say`This cannot be read.`),
    }),
  );
  app.useGlobalFilters(new ProblemFilter(app.get(LastTrouble)));
  app.enableShutdownHooks();
  openShortWay(app, secured, (...of) => metrics.countAnswered(...of));
  const api = new DocumentBuilder()
    .setTitle('Jokul')
    .setDescription('The stations of the line, the journal and the calculations.')
    .build();
  SwaggerModule.setup('api/docs', app, () => describeApi(SwaggerModule.createDocument(app, api)));
  await app.init();
  if (config.seedDemo) await app.get(DemoSeed).fillIfEmpty();
  if (config.seedOwn) await app.get(OwnBakery).beginIfEmpty();
  return app;
};
