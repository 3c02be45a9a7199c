import { Body, Controller, Get, Headers, Post, Query, Sse } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { AppendInput, type AppendView, type JournalView } from '@jokul/contracts';
import type { Observable } from 'rxjs';
import { JournalFeed, type FeedMessage } from './journal-feed.js';
import { JournalService } from './journal.service.js';
import { checkedEntry } from './payload-check.js';

const number = (text: string | undefined, fallback: number) => {
  const value = Number(text);
  return text !== undefined && Number.isFinite(value) && value >= 0 ? value : fallback;
};

@ApiTags('journal')
@Controller('journal')
export class JournalController {
  constructor(
    private readonly journal: JournalService,
    private readonly feed: JournalFeed,
  ) {}

  @Get()
  around(@Query('since') since?: string): Promise<JournalView> {
    return this.journal.around(number(since, 0));
  }

  @Get('between')
  between(@Query('from') from?: string, @Query('to') to?: string): Promise<JournalView> {
    return this.journal.between(number(from, 0), number(to, Number.MAX_SAFE_INTEGER));
  }

  @Get('verify')
  verify(): Promise<{ entries: number; firstBrokenSeq: number | null }> {
    return this.journal.verify();
  }

  @Post()
  append(@Body() { entries }: AppendInput): Promise<AppendView> {
    return this.journal.append(entries.map(checkedEntry));
  }

  @Sse('stream')
  stream(@Query('after') after?: string, @Headers('last-event-id') last?: string): Observable<FeedMessage> {
    return this.feed.stream(number(last, number(after, 0)));
  }
}
