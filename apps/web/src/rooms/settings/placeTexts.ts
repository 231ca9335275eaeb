/** Sentences of the fields for place and instruments. */
export const placeTexts = {
  timeZone: 'Time zone',
  simulated: 'Simulated instruments',
  simulatedNote: 'Simulated readings are marked, and Kleur does not learn from them.',
};
