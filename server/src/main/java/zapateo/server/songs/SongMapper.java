package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import zapateo.server.arrangements.ChoicesRequest;

/** Songs and their versions in PostgreSQL. */
@Mapper
interface SongMapper {

    @Select("select id, owner, title, chart, choices, arrangement, others, version, created_at, updated_at from song "
            + "where owner = #{owner} and deleted_at is null order by lower(title), id")
    List<SongRow> all(@Param("owner") UUID owner);

    /** Without charts and choices. */
    @Select("select id, title, choices ->> 'figure' as figure, summary, version, updated_at from song where owner = #{owner} and deleted_at is null order by lower(title), id")
    List<LineRow> lines(@Param("owner") UUID owner);

    @Select("select chart from song where id = #{id}")
    String chart(@Param("id") UUID id);

    /** A summary of a chart that is still the one of that version. */
    @Update("update song set summary = #{summary} where id = #{id} and version = #{version}")
    void sumUp(@Param("id") UUID id, @Param("version") int version, @Param("summary") Summary summary);

    @Select("select id, owner, title, chart, choices, arrangement, others, version, created_at, updated_at from song "
            + "where id = #{id} and owner = #{owner} and deleted_at is null")
    Optional<SongRow> find(@Param("owner") UUID owner, @Param("id") UUID id);

    @Insert("insert into song (id, owner, title, chart, choices, arrangement, others, version, created_at, updated_at, summary) values (#{song.id}, #{song.owner}, #{song.title}, "
            + "#{song.chart}, #{song.choices}, #{song.arrangement}, #{song.others}, #{song.version}, #{song.createdAt}, #{song.updatedAt}, #{summary})")
    void insert(@Param("song") SongRow song, @Param("summary") Summary summary);

    /** @return 1, or 0 when the song is gone or no longer has the version */
    @Update("update song set title = #{title}, chart = #{chart}, choices = #{choices}, arrangement = #{arrangement}, others = #{others}, summary = #{summary}, version = version + 1, updated_at = #{at} "
            + "where id = #{id} and owner = #{owner} and version = #{version} and deleted_at is null")
    int update(@Param("owner") UUID owner, @Param("id") UUID id, @Param("version") int version, @Param("title") String title,
               @Param("chart") String chart, @Param("choices") ChoicesRequest choices, @Param("arrangement") String arrangement, @Param("others") OtherArrangements others,
               @Param("summary") Summary summary, @Param("at") OffsetDateTime at);

    @Insert("insert into song_version (song_id, version, title, chart, choices, arrangement, others, saved_at) "
            + "select id, version, title, chart, choices, arrangement, others, updated_at from song where id = #{id}")
    void keepVersion(@Param("id") UUID id);

    @Select("select version, title, chart, choices, arrangement, others, saved_at from song_version where song_id = #{id} order by version desc")
    List<VersionRow> versions(@Param("id") UUID id);

    @Update("update song set deleted_at = #{at} where id = #{id} and owner = #{owner} and deleted_at is null")
    int delete(@Param("owner") UUID owner, @Param("id") UUID id, @Param("at") OffsetDateTime at);

    @Update("update song set deleted_at = null where id = #{id} and owner = #{owner} and deleted_at is not null")
    int restore(@Param("owner") UUID owner, @Param("id") UUID id);

    @Insert("insert into milestone (name, at) values (#{name}, now()) on conflict do nothing")
    int reach(@Param("name") String name);
}
