/** The engine: everything that reads, finds, judges, writes out and proves. No interface code, no storage. */
package org.brantel.core;
