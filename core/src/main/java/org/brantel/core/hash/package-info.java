/** Hashes of bytes, as the manifest and custody write them. */
package org.brantel.core.hash;
