import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseIntPipe,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import {
  OrderLineInput,
  OrderLinesInput,
  StandingOrderInput,
  type OrderLinesView,
  type OrderView,
  type StandingOrderView,
} from '@jokul/contracts';
import { BakeDatePipe } from '../common/bake-date.pipe.js';
import { LineIdPipe } from './line-id.pipe.js';
import { OrdersService } from './orders.service.js';
import { StandingOrdersService } from './standing-orders.service.js';

@ApiTags('orders')
@Controller()
export class OrdersController {
  constructor(
    private readonly orders: OrdersService,
    private readonly standing: StandingOrdersService,
  ) {}

  @Post('days/:date/orders')
  add(@Param('date', BakeDatePipe) date: string, @Body() input: OrderLineInput): Promise<OrderView> {
    return this.orders.add(date, input);
  }

  @Post('days/:date/orders/many')
  addMany(
    @Param('date', BakeDatePipe) date: string,
    @Body() { lines }: OrderLinesInput,
  ): Promise<OrderLinesView> {
    return this.orders.addMany(date, lines);
  }

  @Put('orders/:id')
  change(@Param('id', LineIdPipe) id: string, @Body() input: OrderLineInput): Promise<OrderView> {
    return this.orders.change(id, input);
  }

  @Delete('orders/:id')
  @HttpCode(204)
  remove(
    @Param('id', LineIdPipe) id: string,
    @Query('version', new ParseIntPipe({ optional: true })) version?: number,
  ): Promise<void> {
    return this.orders.remove(id, version);
  }

  /** A line that was taken off, or changed, for this day is again what its standing order says. */
  @Delete('days/:date/standing/:id')
  @HttpCode(204)
  takeBack(@Param('date', BakeDatePipe) date: string, @Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.orders.takeBack(date, id);
  }

  /** Standing orders that are in force on a day or later. */
  @Get('standing')
  standingFrom(@Query('from', BakeDatePipe) from: string): Promise<readonly StandingOrderView[]> {
    return this.standing.list(from);
  }

  @Post('standing')
  addStanding(@Body() input: StandingOrderInput): Promise<StandingOrderView> {
    return this.standing.add(input);
  }

  @Put('standing/:id')
  changeStanding(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() input: StandingOrderInput,
  ): Promise<StandingOrderView> {
    return this.standing.change(id, input);
  }

  @Delete('standing/:id')
  @HttpCode(204)
  endStanding(
    @Param('id', ParseUUIDPipe) id: string,
    @Query('from', BakeDatePipe) from: string,
    @Query('version', ParseIntPipe) version: number,
  ): Promise<void> {
    return this.standing.end(id, from, version);
  }
}
