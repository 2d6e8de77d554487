export { checkHeads, appendHead, findHeadsFile, type Head } from './heads';
export * from './ledger';
export { findKeyFile, openSigner, signerOf, useSigner, type Signer } from './signer';
