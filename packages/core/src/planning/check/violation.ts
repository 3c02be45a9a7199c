/** A rule of the floor that a plan breaks. */
export interface Violation {
  readonly code:
    'capacity' | 'precedence' | 'rest-window' | 'oven' | 'late' | 'pieces' | 'past' | 'hours' | 'bowl';
  readonly where: string;
  readonly message: string;
}
