import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { OrderLineInput } from '@jokul/contracts';
import { timeAsWritten } from './time-as-written';

/** An order line checked by the class that checks it on the server. */
export const orderLineCheck = timeAsWritten(classValidatorResolver(OrderLineInput));
