/** What a kind of content is: how it begins, how it is walked to its end, and what it says about itself. */
package org.brantel.core.kind;
