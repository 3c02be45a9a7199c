import { Transform } from 'class-transformer';
import { IsOptional } from 'class-validator';

/**
 * May be left out. `null` is as left out: class-validator's own rule lets it through as it is, to whoever reckons with a
 * figure or nothing. Where `null` says something of its own, IsOptional stands instead.
 */
export const Optional = (): PropertyDecorator => (target, key) => {
  IsOptional()(target, key);
  Transform(({ value }: { value: unknown }) => value ?? undefined)(target, key);
};
