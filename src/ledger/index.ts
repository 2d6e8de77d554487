export { checkHeads, appendHead, findHeadsFile, type Head } from './heads';
export * from './ledger';
export { findKeyFile, openSigner, signerOf, type Signer } from './signer';
