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
  type DayView,
  type OrderLinesView,
  type OrderView,
} from '@jokul/contracts';
import { BakeDatePipe } from '../common/bake-date.pipe.js';
import { PlanService } from '../plan/plan.service.js';
import { OrdersService } from './orders.service.js';

@ApiTags('orders')
@Controller()
export class OrdersController {
  constructor(
    private readonly orders: OrdersService,
    private readonly plans: PlanService,
  ) {}

  @Get('days/:date')
  async day(@Param('date', BakeDatePipe) date: string): Promise<DayView> {
    const [orders, plan] = await Promise.all([this.orders.list(date), this.plans.view(date)]);
    return { date, orders, plan };
  }

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
  change(@Param('id', ParseUUIDPipe) id: string, @Body() input: OrderLineInput): Promise<OrderView> {
    return this.orders.change(id, input);
  }

  @Delete('orders/:id')
  @HttpCode(204)
  remove(
    @Param('id', ParseUUIDPipe) id: string,
    @Query('version', new ParseIntPipe({ optional: true })) version?: number,
  ): Promise<void> {
    return this.orders.remove(id, version);
  }
}
