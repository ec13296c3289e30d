package org.brantel.core.manifest;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LabKeyTest {

    @TempDir
    Path folder;

    /** The first two things that need a key may need it at once; two keys would sign for one lab. */
    @Test
    void allWhoAskAtOnceGetOneKey() throws Exception {
        int many = 8;
        ExecutorService threads = Executors.newFixedThreadPool(many);
        try {
            for (int round = 0; round < 20; round++) {
                Path file = folder.resolve("key-" + round).resolve("lab-key.pem");
                CyclicBarrier together = new CyclicBarrier(many);
                Callable<String> ask = () -> {
                    together.await();
                    return LabKey.at(file).fingerprint();
                };
                Set<String> keys = new TreeSet<>();
                for (Future<String> one : threads.invokeAll(
                        IntStream.range(0, many).mapToObj(i -> ask).toList())) {
                    keys.add(one.get());
                }
                assertThat(keys).hasSize(1);
                assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                        .isEqualTo("rw-------");
                try (Stream<Path> left = Files.list(file.getParent())) {
                    assertThat(left).containsExactly(file);
                }
            }
        } finally {
            threads.shutdownNow();
        }
    }
}
