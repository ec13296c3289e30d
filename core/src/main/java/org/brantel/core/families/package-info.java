/** All families of file systems that the engine knows: the one list of them, and what is asked of all. */
package org.brantel.core.families;
