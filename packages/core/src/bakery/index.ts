export * from './equipment.js';
export * from './calendar.js';
export * from './shift-parts.js';
export { equipmentKinds, freeId, inUse, type EquipmentKind, type Retirable } from './in-use.js';
export * from './check-equipment.js';
export * from './places-kept.js';
