/** What a station can tell about an attached device by itself, in a few gentle reads. */
package org.brantel.core.firstlook;
