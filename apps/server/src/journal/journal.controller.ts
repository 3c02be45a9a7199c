import { say } from '@jokul/core';
import {
  BadRequestException,
  Body,
  Controller,
  Get,
  Headers,
  Post,
  Query,
  ServiceUnavailableException,
  Sse,
} from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import {
  AppendInput,
  type AppendView,
  type JournalView,
  type LogCheckView,
  type NewsView,
} from '@jokul/contracts';
import type { Observable } from 'rxjs';
import { JournalCheck } from './journal-check.js';
import { JournalFeed, type FeedMessage } from './journal-feed.js';
import { JournalReader } from './journal-reader.js';
import { JournalService } from './journal.service.js';
import { checkedEntry } from './payload-check.js';

/** A moment or a number of an entry in an address. @throws BadRequestException for anything else */
const number = (text: string | undefined, name: string, fallback: number): number => {
  if (text === undefined) return fallback;
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value) || value < 0 || value > Number.MAX_SAFE_INTEGER)
    throw new BadRequestException(say`"${name}" must be a number of milliseconds or of an entry, 0 or more.`);
  return Math.floor(value);
};

@ApiTags('journal')
@Controller('journal')
export class JournalController {
  constructor(
    private readonly journal: JournalService,
    private readonly reader: JournalReader,
    private readonly feed: JournalFeed,
    private readonly checks: JournalCheck,
  ) {}

  @Get()
  around(@Query('since') since?: string): Promise<JournalView> {
    return this.reader.around(number(since, 'since', 0));
  }

  @Get('between')
  between(@Query('from') from?: string, @Query('to') to?: string): Promise<JournalView> {
    return this.reader.between(number(from, 'from', 0), number(to, 'to', Number.MAX_SAFE_INTEGER));
  }

  @Get('news')
  news(@Query('after') after?: string): Promise<NewsView> {
    return this.reader.news(number(after, 'after', 0));
  }

  @Get('verify')
  verify(): Promise<LogCheckView> {
    return this.checks.check();
  }

  @Post()
  async append(@Body() { entries, ledger }: AppendInput): Promise<AppendView> {
    return this.journal.append(entries.map(checkedEntry), ledger);
  }

  @Sse('stream')
  stream(@Query('after') after?: string, @Headers('last-event-id') last?: string): Observable<FeedMessage> {
    if (this.feed.isFull)
      throw new ServiceUnavailableException(
        say`As many screens follow already as Jokul can serve. What is new can be asked for now and then (journal/news).`,
      );
    return this.feed.stream(number(last, 'last-event-id', number(after, 'after', 0)));
  }
}
