/** One JSON mapper for every format of the engine (RFC 8259), and one way to say that a file is malformed. */
package org.brantel.core.json;
