/** Reading file systems by their own records; a package for each family. */
package org.brantel.core.filesystem;
