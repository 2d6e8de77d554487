export { checkHeads, appendHead, findHeadsFile, signHead, type Head } from './heads';
export * from './ledger';
export { findKeyFile, openSigner, signerOf, useSigner, type Signer } from './signer';
