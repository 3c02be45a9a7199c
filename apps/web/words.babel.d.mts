import type { PluginItem, PluginObject } from '@babel/core';

export const messages: PluginItem;
export const compiledMessages: (babel: object) => PluginObject;
export const says: (code: string) => boolean;
