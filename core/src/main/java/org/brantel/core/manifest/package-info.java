/**
 * Bags, hashes and signatures: BagIt 1.0 (RFC 8493) with SHA-256 and SHA-512 manifests, and an Ed25519 signature
 * (RFC 8032) over the SHA-256 manifest by the lab's key (PEM, RFC 7468 and RFC 8410).
 */
@NullMarked
package org.brantel.core.manifest;

import org.jspecify.annotations.NullMarked;
