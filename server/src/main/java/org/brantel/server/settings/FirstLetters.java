package org.brantel.server.settings;

import java.util.Map;

/** The letters that a new lab begins with. */
final class FirstLetters {

    static final Map<String, LabSettings.Letter> ALL = Map.of(
            "received", new LabSettings.Letter("Your case {case} at {lab}", """
                    Dear {contact},

                    we have logged your {device} as case {case}.

                    Until we tell you otherwise:
                    {dont}

                    We look at what you told us and come back with how we would go about it, and what it may cost.

                    {lab}
                    {phone}
                    """),
            "decided", new LabSettings.Letter("Case {case}: how we go about it", """
                    Dear {contact},

                    we have decided how to treat your {device}: {path}.
                    {reason}

                    If something has changed since you called, please tell us now.

                    {lab}
                    {phone}
                    """),
            "declined", new LabSettings.Letter("Case {case}: we cannot take it on", """
                    Dear {contact},

                    we have weighed everything that you told us about your {device}, and we cannot take it on.
                    {reason}

                    If your {device} is with us, it goes back to you as it came; nothing on it was changed. If you learn of a copy \
                    somewhere, or remember something that speaks against our reason, call us, and we look again.

                    {lab}
                    {phone}
                    """),
            "ready", new LabSettings.Letter("Case {case}: your files are ready", """
                    Dear {contact},

                    what we could recover from your {device} is packed and sealed. Call us for your link and its passcode; we give both to \
                    you by voice, never in one message.

                    {lab}
                    {phone}
                    """));

    private FirstLetters() {}
}
