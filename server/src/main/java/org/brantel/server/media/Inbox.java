package org.brantel.server.media;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.brantel.server.platform.Settings;
import org.springframework.stereotype.Component;

/** Raw images that the lab placed in its inbox folder. */
@Component
class Inbox implements MediaOfKind {

    private final Path folder;
    private final MediaFiles files;

    Inbox(Settings settings) {
        this.folder = settings.inbox();
        this.files = new MediaFiles(this, folder, "");
    }

    @Override
    public MediumKind kind() {
        return MediumKind.INBOX;
    }

    @Override
    public List<Medium> now() throws IOException {
        Files.createDirectories(folder);
        return files.now(name -> !name.startsWith(".") && !name.endsWith(".map"));
    }

    @Override
    public String specification(String name) {
        return files.existing(name).toString();
    }
}
