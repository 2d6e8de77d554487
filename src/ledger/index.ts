export { checkHeads, appendHead, findHeadsFile, signHead, type Head } from './heads';
export * from './ledger';
export { findKeyFile, openSigner, signerOf, signWith, type Signer } from './signer';
