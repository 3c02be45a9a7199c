import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { OrderLineInput } from '@jokul/contracts';

/** An order line checked by the class that checks it on the server. */
export const orderLineCheck = classValidatorResolver(OrderLineInput);
