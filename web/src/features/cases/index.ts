export {
  countingFor,
  differences,
  emptyDevice,
  emptyForm,
  factsForRanking,
  factsWithDevices,
  formOf,
  type FormRow,
  FREE_ROWS,
  hasFact,
  knownCustomer,
  ownFacts,
  ROWS,
  toggleFact,
  toSend,
  WORTH_ROWS,
} from './form'
export { byStage, type Stage, stageName, STAGES } from './stages'
export { useCustomers } from './useCustomers'
export { KNOWN_SYSTEMS, type OpensOn, systemName, SYSTEMS } from './systems'
