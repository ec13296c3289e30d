/** What the customer hopes to get back, as lines that can be checked, and how much of it is there. */
package org.brantel.core.wanted;
