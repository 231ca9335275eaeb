export { type Mixture, type Scheme, SCHEMES, SoapTrial } from './trial.ts';
export { FIRST_SOAP, SECOND_SOAP, shelfOf } from './shelf.ts';
export { normalOf, Reader } from './reader.ts';
export { type SoapPhysics, type TrueBar, type TrueMaterial, trueReflectance } from './soap.ts';
export { type Reflected, reflected } from './transport.ts';
